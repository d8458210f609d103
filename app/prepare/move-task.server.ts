/** A piece of work before class settled on a day: kept where it can be done then, else refused with what stands against it. */
import { InputError, NotFoundError } from '../../core/errors'
import { listFreeSpans } from '../../core/prepare/free-time'
import { layPreparation } from '../../core/prepare/lay-preparation'
import type { PrepTask } from '../../core/prepare/prep-tasks'
import { toMoment } from '../../core/time/wall-clock'
import { wallTimeAfter } from '../../core/time/zone'
import type { Member } from '../../db/repositories/accounts.server'
import { settleDay } from '../../db/repositories/prep-marks.server'
import { clock, duration, longDay } from '../shared/words/times'
import { loadPreparation, type Preparation } from './load-preparation.server'
import { byWords, prepWords } from './words/prep-work'

/**
 * @param day - YYYY-MM-DD; undefined: whenever it is best
 * @param now - YYYY-MM-DDTHH:MM on the studio's clock
 * @throws {InputError} why it cannot be then
 * @throws {NotFoundError} there is no such work any more
 */
export async function moveTask(
	member: Pick<Member, 'userId' | 'studio'>,
	{ courseId, taskId, day }: { courseId: number; taskId: string; day: string | undefined },
	now: string,
): Promise<void> {
	const preparation = await loadPreparation(member, now)
	const task = preparation.tasks.find(({ id }) => id === taskId)
	if (!task || task.courseId !== courseId)
		throw new NotFoundError('There is no such work any more: load the page again.')
	const problem = day === undefined ? undefined : whyNot(preparation, task, day)
	if (problem !== undefined) throw new InputError([{ path: '', message: problem }])
	await settleDay(member.studio.id, { courseId, taskId }, day)
}

/** What stands against it; undefined: nothing does. */
function whyNot({ tasks, terms, laid }: Preparation, task: PrepTask, day: string): string | undefined {
	const { freeTime, busy, zone, now } = terms
	if (day < now.date) return `${longDay(day)} is over.`
	if (day > task.latest.date) return `${longDay(day)} is too late: it is to be done ${byWords(task.latest)}.`
	if (day < task.earliest.date)
		return `${longDay(day)} is too early: it cannot be done before ${longDay(task.earliest.date)}.`
	const spans = listFreeSpans(freeTime, day, 1, busy)
	const free = spans.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0)
	if (free < task.minutes)
		return `On ${longDay(day)} you have ${free === 0 ? 'no free time' : `only ${duration(free)} free`}, and it takes ${duration(task.minutes)}.`
	const settled = new Map([...(terms.settled ?? []), [task.id, day] as const])
	const moved = layPreparation(tasks, { ...terms, settled }, { steps: 0 })
	const own = moved.laid.find((one) => one.task.id === task.id)
	if (own && own.lateMinutes === 0) return undefined
	const lastStart = toMoment({ date: day, minuteOfDay: Math.max(0, (spans.at(-1)?.endMin ?? 0) - task.minutes) })
	const before = task.after
		.map(({ id, lag }) => ({ made: laid.find((one) => one.task.id === id), lag }))
		.flatMap(({ made, lag }) => (made ? [{ made, ready: wallTimeAfter({ ...made.end, zone }, lag) }] : []))
		.find(({ ready }) => toMoment(ready) > lastStart)
	if (before)
		return `It waits for “${prepWords(before.made.task.work).toLowerCase()}”, which is ready on ${longDay(before.ready.date)} at ${clock(before.ready.minuteOfDay)}.`
	return `On ${longDay(day)} there is no room for it beside what lies there already.`
}
