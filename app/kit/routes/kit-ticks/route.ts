/** Ticks of packing, as the page sends them by itself: from several devices, late, and more than once. */
import { getCourse } from '../../../../db/repositories/courses.server'
import { changeTicks, clearTicks } from '../../../../db/repositories/packing.server'
import { memberContext } from '../../../shared/http/contexts'
import { readId, readIntent } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { packingActions } from '../../schemas/packing'
import { requireKit } from '../../read-kit.server'
import { listPackingLines } from '../../../../core/kit/packing-lines'
import { InputError } from '../../../../core/errors'
import type { Studio } from '../../../../db/repositories/accounts.server'
import type { Route } from './+types/route'

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		const input = await readIntent(request, packingActions)
		const now = Date.now()
		// A device whose clock runs ahead must not outlive every later change.
		const toDate = (at: number | undefined) => new Date(Math.min(at ?? now, now))
		if (input.intent === 'clear') {
			await clearTicks(studio.id, courseId, toDate(input.at))
			return { done: input.intent }
		}
		const isPacked = input.intent === 'pack'
		if (isPacked) await refuseUnknownLines(studio, courseId, input.ticks)
		await changeTicks(
			studio.id,
			courseId,
			input.ticks.map(({ at, ...tick }) => ({ ...tick, isPacked, at: toDate(at) })),
		)
		return { done: input.intent }
	})
}

/** A line that no kit of the course has cannot be packed; taken out it may be, since a plan made anew may lack it. */
async function refuseUnknownLines(studio: Studio, courseId: number, ticks: readonly { line: string; seat: number }[]) {
	const { kit, course } = await requireKit(studio, await getCourse(studio.id, courseId))
	const known = new Set(listPackingLines(kit).map(({ key }) => key))
	const unknown = ticks.find(({ line, seat }) => !known.has(line) || seat > course.studentCount)
	if (unknown)
		throw new InputError([{ path: 'ticks', message: 'Some of this is in no kit any more: load the page again.' }])
}
