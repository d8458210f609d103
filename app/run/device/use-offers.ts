import { proxy } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { earlyEntry } from '../../../core/run/early-entry'
import type { RunPage } from '../read-run.server'
import type { JudgedOffer } from './foresight.worker'
import { useForesight } from './use-foresight'
import type { Run } from './use-run'

/** As many as are read at a glance. */
const MOST_OFFERS = 3
/** Below it, ways to go on are offered; and only such as give at least so much. */
const LEAST_CHANCE = 0.5
const LEAST_GAIN = 0.1
/** What was set aside is not offered again for so long. */
const QUIET_MS = 10 * 60_000
/** What was offered so long ago is looked for again. */
const FRESH_MS = 5 * 60_000

export interface Offers {
	/** The best first; empty: nothing need be offered, or nothing helps. */
	list: readonly JudgedOffer[]
	/** All was tried, and nothing helps. */
	isHopeless: boolean
	/** 'chance', or the entry that would come too early. */
	cause: string
	setAside: () => void
}

/** Ways to go on, looked for when the session is not likely to end in time, or would use pieces before they are dry. */
export function useOffers({ script, problem }: RunPage, run: Run, chance: number | undefined): Offers {
	const [found, setFound] = useState<{ cause: string; list: JudgedOffer[]; pressCount: number; isWhole: boolean }>()
	const [asides, setAsides] = useState<Record<string, number>>({})
	const foresight = useForesight()
	const plan = run.opened
	const early = earlyEntry(run.state, run.nowMin, run.now)
	const isTight = chance !== undefined && chance < LEAST_CHANCE
	const cause = early ?? (isTight ? 'chance' : undefined)
	const isQuiet = cause !== undefined && run.now - (asides[cause] ?? -Infinity) < QUIET_MS
	const wanted = isQuiet ? undefined : cause
	const pressCount = run.device.events.length
	const isOfNow = found && found.cause === wanted && found.pressCount === pressCount
	const age = Math.floor(run.now / FRESH_MS)
	const latest = useRef({ run, chance, isShown: false })
	useEffect(() => {
		latest.current = { run, chance, isShown: isOfNow === true && found.list.length > 0 }
	})
	useEffect(() => {
		if (wanted === undefined) return
		let [isOver, isDone] = [false, false]
		const before = latest.current
		const { device, now, nowMin } = before.run
		const outlook = { problem, plan, script, events: device.events, present: { now, nowMin } }
		const list: JudgedOffer[] = []
		const tell = (isWhole: boolean) => {
			setFound({ cause: wanted, list: bestOf(list, wanted, before.chance ?? 0), pressCount, isWhole })
		}
		const onOffer = proxy((offer: JudgedOffer) => {
			if (isOver) return
			list.push(offer)
			// What is being read is replaced as a whole.
			if (!before.isShown) tell(false)
		})
		void foresight
			.ask()
			.findOffers(outlook, onOffer)
			.then(() => {
				isDone = true
				if (!isOver) tell(true)
			})
		return () => {
			isOver = true
			if (!isDone) foresight.stop()
		}
	}, [foresight, wanted, pressCount, age, problem, plan, script])
	return {
		list: isOfNow ? found.list : [],
		isHopeless: isOfNow === true && found.isWhole && found.list.length === 0,
		cause: wanted ?? '',
		setAside: () => {
			if (cause !== undefined) setAsides((all) => ({ ...all, [cause]: latest.current.run.now }))
		},
	}
}

/** The surest first, of each kind the surest; where minutes are what lacks, only such as give some. */
function bestOf(list: readonly JudgedOffer[], cause: string, before: number): JudgedOffer[] {
	const helping = list.filter(({ chance }) => cause !== 'chance' || chance >= before + LEAST_GAIN)
	const sorted = helping.toSorted((a, b) => b.chance - a.chance)
	return sorted
		.filter(({ change }, k) => sorted.findIndex((other) => other.change.kind === change.kind) === k)
		.slice(0, MOST_OFFERS)
}
