import { beforeAll, expect, test } from 'vitest'
import { checkPlan } from '../../core/plan/checker/check-plan'
import { DEMO_EMAIL, demoCourses, loadDemo } from '../../db/load-demo.server'
import { findUserByPassword, isEmpty } from '../../db/repositories/accounts.server'
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { findNewestPlan } from '../../db/repositories/plans.server'
import { prepareDatabase } from '../../server/prepare-database'
import { freshDatabase } from '../support/studios'

const terms = { today: '2026-03-02', demoPassword: 'bract-calyx-1234' }

beforeAll(freshDatabase)

test('the demo fills an empty database once, and every course has a plan that passes the checker', async () => {
	expect(await isEmpty()).toBe(true)

	const first = await prepareDatabase({ ...terms, resetDemo: false })
	const second = await prepareDatabase({ ...terms, demoPassword: 'other', resetDemo: false })

	expect([first.demoLoaded, second.demoLoaded]).toEqual([true, false])
	expect(await findUserByPassword(DEMO_EMAIL, terms.demoPassword)).toBeGreaterThan(0)
	const { courses } = await listCourses(1)
	expect(courses.map(({ planStatus }) => planStatus).toSorted()).toEqual([
		'infeasible',
		'optimal',
		'optimal',
		'optimal',
		'optimal',
	])
	for (const { id } of courses) {
		const stored = await findNewestPlan(1, id)
		const { compiled, plan } = stored?.document ?? {}
		if (!compiled || !plan) throw new Error(`course ${id} has no plan`)
		expect(checkPlan(compiled.instance, plan).errors).toEqual([])
	}
})

test('a reset makes it anew, with all that was changed in it gone, and leaves other studios alone', async () => {
	const { courses } = await listCourses(1)

	await prepareDatabase({ ...terms, resetDemo: true })

	await expect(getCourse(1, courses[0]?.id ?? 0)).rejects.toThrow()
	expect(await findUserByPassword(DEMO_EMAIL, terms.demoPassword)).toBeGreaterThan(0)
})

test('a demo that is there already is not loaded twice', async () => {
	await expect(loadDemo({ zone: 'Europe/London', today: terms.today, password: 'x' })).rejects.toThrow(/taken/)
})

test.each(['2026-03-02', '2026-03-05', '2026-12-30'])(
	'courses named for a weekday fall on it, whatever today is: %s',
	(today) => {
		const thursdays = demoCourses(today).filter(({ name }) => name.includes('Thursdays'))

		expect(thursdays.length).toBeGreaterThan(0)
		for (const { date } of thursdays.flatMap(({ sessions }) => sessions)) {
			expect(new Date(`${date}T00:00:00Z`).getUTCDay()).toBe(4)
			expect(date > today).toBe(true)
		}
	},
)
