/** What looking at the trays of a session says of how fast pastes dry, and the room: entries for the log of drying. */
import { timesModel } from '../drying/pace-belief'
import { beliefOf, roomOf } from '../plan/compile/drying-terms'
import type { Paste } from '../vocabulary/paste'
import type { RunState } from './fold-run'
import { describeWaits, inRoomAir, type PlannedCourse, type RoomReading } from './tray-air'
import { trayPace } from './tray-pace'

export interface SeenTray {
	batch: string
	paste: Paste
	/** Where it lay when it was looked at; absent: nobody has described it. */
	placeId?: number
	/** What the model says of the usual paste, in the air of the room, > 0. */
	modelHours: number
	/** Last seen not ready; 0: never. */
	notReadyHours: number
	/** First seen ready; absent: not yet. */
	readyHours?: number
}

/**
 * Each tray that was looked at, once: by the first of its waits that is for a paste to dry. Every look of whatever stage
 * counts, as far as it bounds the pace.
 *
 * @param reading - of the room's air, where it was read; absent: as it was planned with
 */
export function observeTrays(
	{ plan, trays }: Pick<RunState, 'plan' | 'trays'>,
	planned: PlannedCourse,
	reading?: RoomReading,
): SeenTray[] {
	const { course, terms } = planned
	const waits = describeWaits(plan, planned)
	const batches = reading ? inRoomAir(plan.batches, waits, reading) : plan.batches
	const room = roomOf(terms, course.sessions[plan.session - 1]?.roomId)
	return trays.flatMap(({ batch: id, laid, looks }): SeenTray[] => {
		if (!laid || looks.length === 0) return []
		const found = batches
			.find((batch) => batch.id === id)
			?.waits.flatMap((wait) => {
				const own = waits.find((one) => one.batch === id && one.toTaskId === wait.toTaskId)
				const subject = own?.subjects.find(({ type }) => type === 'piece')
				const { p50Minutes, doubt } = wait
				if (subject?.type !== 'piece' || !subject.paste || p50Minutes === undefined || doubt) return []
				return [{ wait: { ...wait, p50Minutes }, paste: subject.paste }]
			})[0]
		if (!found) return []
		const { wait, paste } = found
		const { low, high } = trayPace({ laid, looks }, wait)
		if (low <= 0 && high === Infinity) return []
		const p50Hours = wait.p50Minutes / 60
		// What was forecast has in it what is believed of the paste, and of the place.
		const modelHours = (p50Hours / timesModel(beliefOf(terms, paste), 0.5)) * (room.pace ?? 1)
		return [
			{
				...{ batch: id, paste, modelHours, notReadyHours: low * p50Hours },
				...(high < Infinity && { readyHours: high * p50Hours }),
				...(room.id > 0 && { placeId: room.id }),
			},
		]
	})
}
