import { useEffect, useRef } from 'react'
import type { RunPage } from '../read-run.server'
import type { AirNow } from '../routes/run-air/route'
import type { Run } from './use-run'

const EVERY_MS = 60_000
/** What differs by less is the same air. */
const LEAST_C = 0.5
const LEAST_HUMIDITY = 0.01

/** Notes the air of the room where a hygrometer hangs, as often as it has changed. */
export function useHygrometer({ courseId, session, room }: RunPage, run: Run): void {
	const isGoingOn = run.state.opened !== undefined && run.state.closed === undefined
	const latest = useRef(run)
	useEffect(() => {
		latest.current = run
	})
	const isAsked = isGoingOn && room.hasHygrometer
	useEffect(() => {
		if (!isAsked) return
		let isOver = false
		const ask = async () => {
			const air = await readAir(`/courses/${courseId}/run/${session}/air`)
			const { state, desk } = latest.current
			if (isOver || !air || !isOther(air, state.reading)) return
			const { temperatureC, humidity, ageMinutes } = air
			desk.write({ type: 'reading', temperatureC, humidity, by: 'hygrometer' }, Date.now() - 60_000 * ageMinutes)
		}
		void ask()
		const timer = setInterval(() => void ask(), EVERY_MS)
		return () => {
			isOver = true
			clearInterval(timer)
		}
	}, [isAsked, courseId, session])
}

/** @returns undefined: there is no network, or nothing that is new enough */
async function readAir(address: string): Promise<AirNow | undefined> {
	try {
		const answer = await fetch(address, { redirect: 'error' })
		return answer.ok ? (((await answer.json()) as { air: AirNow | null }).air ?? undefined) : undefined
	} catch {
		return undefined
	}
}

function isOther(air: AirNow, known: Run['state']['reading']): boolean {
	if (!known) return true
	// What somebody has typed since the hygrometer read is newer.
	if (Date.now() - 60_000 * air.ageMinutes < known.when) return false
	return (
		Math.abs(air.temperatureC - known.temperatureC) >= LEAST_C ||
		Math.abs(air.humidity - known.humidity) >= LEAST_HUMIDITY
	)
}
