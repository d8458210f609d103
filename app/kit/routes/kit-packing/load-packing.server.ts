/** What the screen of packing shows. */
import type { StoredCourse } from '../../../../db/repositories/courses.server'
import { listPackingLines } from '../../../../core/kit/packing-lines'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { listTicks } from '../../../../db/repositories/packing.server'
import { readKit } from '../../read-kit.server'
import { seatName } from '../../words/kits'

export async function loadPacking(studio: Studio, course: StoredCourse) {
	const [{ kit, state }, ticks] = await Promise.all([readKit(studio, course), listTicks(studio.id, course.id)])
	return {
		state,
		ticks,
		units: studio.units,
		seats: [
			{ number: 0, name: 'Your own' },
			...(kit?.seats ?? []).map((s) => ({ number: s.number, name: seatName(s) })),
		],
		lines: kit ? listPackingLines(kit) : [],
	}
}

export type PackingData = Awaited<ReturnType<typeof loadPacking>>
