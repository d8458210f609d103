import { useEffect, useMemo, useRef, useState } from 'react'
import { countingEvents, type RunEvent } from '../../../core/run/run-event'
import type { PlannedBatch, RunPlan } from '../../../core/run/run-plan'
import type { WaitInAir } from '../../../core/run/tray-air'
import { minuteOfDayAt } from '../../../core/time/zone'
import { useForesight } from './use-foresight'

interface AirTerms {
	plan: RunPlan
	timeZone: string
	/** Absent: no times are shown. */
	waitsInAir?: readonly WaitInAir[]
}

/** The plan of a session with its trays' times in the air that was read last; without a reading, as it was made. */
export function useRoomAir({ plan, timeZone, waitsInAir }: AirTerms, events: readonly RunEvent[]): RunPlan {
	const [aired, setAired] = useState<{ of: string; batches: PlannedBatch[] }>()
	const foresight = useForesight()
	const reading = useMemo(() => countingEvents(events).findLast((event) => event.type === 'reading'), [events])
	const latest = useRef(reading)
	useEffect(() => {
		latest.current = reading
	})
	const id = waitsInAir && reading?.id
	useEffect(() => {
		const read = latest.current
		if (id === undefined || !waitsInAir || read?.type !== 'reading') return
		let isOver = false
		const { temperatureC, humidity, when } = read
		const air = { temperatureC, humidity, minuteOfDay: minuteOfDayAt(when, timeZone) }
		void foresight
			.ask()
			.inRoomAir(plan.batches, waitsInAir, air)
			.then((batches) => {
				if (!isOver) setAired({ of: id, batches })
			})
		return () => {
			isOver = true
		}
	}, [foresight, id, plan, waitsInAir, timeZone])
	// While another reading is being reckoned, the last one stands.
	const batches = id === undefined ? undefined : aired?.batches
	return useMemo(() => (batches ? { ...plan, batches } : plan), [plan, batches])
}
