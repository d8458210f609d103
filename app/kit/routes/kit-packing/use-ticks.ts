/** Ticks that are seen at once, kept on the device until the server has them, and sent again when it comes back. */
import { useCallback, useEffect, useRef, useState } from 'react'
import { href } from 'react-router'
import type { PackingInput } from '../../schemas/packing'

export interface Tick {
	seat: number
	line: string
	amount: number
}

/** Seat and line to the amount packed; undefined: taken out. */
type Pending = Record<string, Change>

interface Change extends Tick {
	isPacked: boolean
	/** When it was done by this device's clock, ms: what another device did later counts more. */
	at: number
}

/** So long until what could not be sent is tried again. */
const RETRY_MS = 5_000

const keyOf = ({ seat, line }: Pick<Tick, 'seat' | 'line'>) => `${seat} ${line}`

/**
 * @param isAlive - whether the page runs in a browser: only there is what the last visit could not send
 */
export function useTicks(courseId: number, stored: readonly Tick[], isAlive: boolean) {
	const storageKey = `calycine-packing-${courseId}`
	const [pending, setPending] = useState<Pending>(() => (isAlive ? readKept(storageKey) : {}))
	const [known, setKnown] = useState<ReadonlyMap<string, number>>(() =>
		applyAll(
			new Map(stored.map((tick) => [keyOf(tick), tick.amount])),
			Object.values(isAlive ? readKept(storageKey) : {}),
		),
	)
	// Counted, so that every failure sets off the next try.
	const [failureCount, setFailureCount] = useState(0)
	const isStuck = failureCount > 0
	const sending = useRef<Promise<void>>(undefined)

	useEffect(() => {
		if (!isAlive) return
		if (Object.keys(pending).length === 0) window.localStorage.removeItem(storageKey)
		else window.localStorage.setItem(storageKey, JSON.stringify(pending))
	}, [pending, storageKey, isAlive])

	const send = useCallback(async () => {
		const waiting = Object.values(pending)
		if (waiting.length === 0 || sending.current) return
		try {
			sending.current = postAll(courseId, waiting)
			await sending.current
			setFailureCount(0)
			setPending((now) => Object.fromEntries(Object.entries(now).filter(([key, tick]) => pending[key] !== tick)))
		} catch {
			// No network: it stays on the device, and is tried again.
			setFailureCount((count) => count + 1)
		} finally {
			sending.current = undefined
		}
	}, [courseId, pending])

	useEffect(() => {
		const timer = setTimeout(() => void send(), isStuck ? RETRY_MS : 150)
		return () => clearTimeout(timer)
	}, [send, isStuck, failureCount])

	const toggle = useCallback((ticks: readonly Tick[], isPacked: boolean) => {
		const changes = ticks.map((tick) => ({ ...tick, isPacked, at: Date.now() }))
		setKnown((before) => applyAll(before, changes))
		setPending((before) => ({ ...before, ...Object.fromEntries(changes.map((change) => [keyOf(change), change])) }))
	}, [])

	/** Everything is unpacked that was packed up to now: what was still to be sent is not any more. */
	const clear = useCallback(async () => {
		setKnown(new Map())
		setPending({})
		const at = Date.now()
		await sending.current?.catch(() => undefined)
		await post(courseId, { intent: 'clear', at })
	}, [courseId])

	return { clear, amountOf: (tick: Pick<Tick, 'seat' | 'line'>) => known.get(keyOf(tick)), toggle, isStuck }
}

function readKept(storageKey: string): Pending {
	try {
		return JSON.parse(window.localStorage.getItem(storageKey) ?? '{}') as Pending
	} catch {
		// Not ours, or torn: the server knows what was packed.
		return {}
	}
}

function applyAll(before: ReadonlyMap<string, number>, changes: readonly Change[]) {
	const after = new Map(before)
	for (const change of changes) {
		if (change.isPacked) after.set(keyOf(change), change.amount)
		else after.delete(keyOf(change))
	}
	return after
}

async function postAll(courseId: number, waiting: readonly Change[]): Promise<void> {
	for (const isPacked of [true, false]) {
		const ticks = waiting
			.filter((tick) => tick.isPacked === isPacked)
			.map(({ seat, line, amount, at }) => ({ seat, line, amount, at }))
		if (ticks.length > 0) await post(courseId, { intent: isPacked ? 'pack' : 'unpack', ticks })
	}
}

async function post(courseId: number, body: PackingInput): Promise<void> {
	const answer = await fetch(href('/courses/:courseId/kits/packing/ticks', { courseId: String(courseId) }), {
		method: 'POST',
		headers: { 'Content-Type': 'application/json' },
		body: JSON.stringify(body),
		// Somebody who is signed out is sent to the door, which would be a success to the browser and is none to the ticks.
		redirect: 'error',
	})
	if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
}
