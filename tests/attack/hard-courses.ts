/** Many studios that open many hard courses at once, none of them planned yet. */
import { inTransaction } from '../../db/connection.server'
import { createCourse } from '../../db/repositories/courses.server'
import { createDesign } from '../../db/repositories/designs.server'
import type { Course } from '../../core/course/course'
import { createStudio } from '../../db/repositories/accounts.server'
import { hashPassword } from '../../db/password-hash.server'
import { fetchCookie } from '../../scripts/machine/running-app.mjs'
import { demoCourse, demoDesign } from '../support/demo-designs'
import { ask, type Target } from './target'

/** Three designs in six evenings, in a room of their own speed: none is proven in seconds. */
export function hardCourse(k: number): Course {
	const { sessions, ...course } = demoCourse('Magnolia on Thursdays')
	const [first] = sessions
	if (!first) throw new Error('the demo course has sessions')
	const designs = ['magnolia', 'hellebore', 'sweet-pea-spray'].map((designId) => {
		return { designId, flowersPerStudent: 1, picks: {} }
	})
	const dates = Array.from(
		{ length: 7 },
		(_, s) => `2026-0${4 + Math.floor(s / 4)}-${String(2 + 7 * (s % 4)).padStart(2, '0')}`,
	)
	return { ...course, name: `Hard ${k}`, designs, sessions: dates.map((date) => ({ ...first, date })) }
}

export interface HardReport {
	answered: number
	byStatus: Record<number, number>
	worstMs: number
	medianMs: number
}

/** Makes the studios in the database that is open here, then opens every plan at once. */
export async function openHardCourses(
	target: Pick<Target, 'url'>,
	{ studios, courses }: { studios: number; courses: number },
): Promise<HardReport> {
	const passwordHash = await hashPassword('hard')
	const visits = []
	for (let s = 0; s < studios; s++) {
		const email = `hard-${s}@studio.example`
		const { studioId } = await createStudio(
			{ name: `Hard ${s}`, timeZone: 'Europe/London', gaugeStandard: 'swg', wireLengthsMm: [360] },
			{ name: 'Hard', email, passwordHash },
		)
		const ids = await inTransaction(async (transaction) => {
			for (const id of ['magnolia', 'hellebore', 'sweet-pea-spray'])
				await createDesign(studioId, demoDesign(id), transaction)
			const made: number[] = []
			for (let c = 0; c < courses; c++) made.push(await createCourse(studioId, hardCourse(c), transaction))
			return made
		})
		visits.push({ cookie: await fetchCookie({ url: target.url, email, password: 'hard' }), ids })
	}
	const answers = await Promise.all(
		visits.flatMap(({ cookie, ids }) =>
			ids.map((id) => ask({ url: target.url, cookie }, `/courses/${id}/plan`, { timeoutMs: 120_000 })),
		),
	)
	const times = answers.map(({ ms }) => ms).toSorted((a, b) => a - b)
	const byStatus: Record<number, number> = {}
	for (const { status } of answers) byStatus[status] = (byStatus[status] ?? 0) + 1
	return {
		answered: answers.length,
		byStatus,
		worstMs: Math.round(times.at(-1) ?? 0),
		medianMs: Math.round(times[Math.floor(times.length / 2)] ?? 0),
	}
}
