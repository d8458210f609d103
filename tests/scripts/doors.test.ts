/** The command-line doors, run as a script would run them. */
import { OBJECTIVE_LEVELS } from '../../core/plan/problem/objective'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoDesign } from '../support/demo-designs'
import ownInstances from '../fixtures/planning.json'

const root = path.resolve(import.meta.dirname, '../..')
let folder: string

beforeAll(() => {
	folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-doors-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

function write(name: string, document: unknown): string {
	const file = path.join(folder, name)
	writeFileSync(file, typeof document === 'string' ? document : JSON.stringify(document))
	return file
}

function run(
	door: 'plan' | 'plan:check' | 'design' | 'dry' | 'kit' | 'course' | 'rehearse' | 'learn',
	...files: string[]
) {
	const { stdout, stderr, status } = spawnSync('npm', ['run', '-s', door, '--', ...files], {
		cwd: root,
		encoding: 'utf8',
	})
	return { stdout, stderr, status, answer: () => JSON.parse(stdout) as Record<string, unknown> }
}

const [filled] = ownInstances
if (!filled) throw new Error('no instance of our own')

describe('npm run -s plan', () => {
	test('prints a plan that plan:check accepts, with the objective that it claims', () => {
		const instance = write('instance.json', filled.instance)
		const planned = run('plan', instance, '--levels', '1')
		const plan = write('plan.json', planned.answer()['plan'])

		const checked = run('plan:check', instance, plan)

		expect(planned.status).toBe(0)
		expect(planned.answer()['objective']).toMatchObject(filled.best)
		expect(planned.answer()['proven']).toEqual(filled.best)
		expect(checked.answer()).toMatchObject({ ok: true, errors: [], objective: filled.best })
	})

	test('judges plans as people do, unless it is told otherwise', () => {
		const planned = run('plan', write('instance.json', filled.instance))

		expect(Object.keys(planned.answer()['proven'] as object)).toEqual([...OBJECTIVE_LEVELS])
	})

	test.each([
		{
			name: 'levels that there are not',
			files: () => [write('good.json', filled.instance), '--levels', '3'],
			says: /--levels must be 1 or 2, got 3/,
			status: 2,
		},
		{ name: 'no file', files: () => [], says: /^usage: npm run -s plan -- instance\.json/, status: 2 },
		{
			name: 'a file that is not there',
			files: () => ['nowhere.json'],
			says: /nowhere\.json cannot be read/,
			status: 2,
		},
		{
			name: 'a file that is not JSON',
			files: () => [write('torn.json', '{')],
			says: /torn\.json is not JSON/,
			status: 2,
		},
		{
			name: 'an instance that means nothing',
			files: () => [write('bad.json', { ...filled.instance, tasks: [{ id: 'a', minutes: 0 }] })],
			says: /tasks\[0\]/,
			status: 1,
		},
	])('says in words what is wrong with $name', ({ files, says, status }) => {
		const result = run('plan', ...files())

		expect(result.status).toBe(status)
		expect(result.stderr).toMatch(says)
		expect(result.stdout).toBe('')
	})
})

test('npm run -s plan:check names every broken rule', () => {
	const instance = write('instance.json', filled.instance)
	const plan = write('empty.json', { placements: {}, swaps: [], extension: 0 })

	const { answer } = run('plan:check', instance, plan)

	expect(answer()).toMatchObject({
		ok: false,
		errors: filled.instance.tasks.map(({ id }) => `${id}: is not in the plan`),
	})
})

describe('npm run -s design', () => {
	const magnolia = path.join(root, 'demo/designs/magnolia.json')

	test('prints a design resolved under the options chosen, with counts, masses, wires and cautions', () => {
		const full = run('design', magnolia).answer()
		const half = run('design', magnolia, '--choose', 'extent=half-open', '--choose', 'leaves=none').answer()

		expect(full).toMatchObject({ id: 'magnolia', picks: { extent: 'full', leaves: 'two' } })
		expect(half).toMatchObject({ picks: { extent: 'half-open', leaves: 'none' } })
		const countOf = (answer: Record<string, unknown>) =>
			(answer['parts'] as { piecesPerFlower: number }[]).reduce((sum, { piecesPerFlower }) => sum + piecesPerFlower, 0)
		expect([countOf(full), countOf(half)]).toEqual([12, 7])
		expect((full['parts'] as object[])[0]).toMatchObject({
			pasteGEach: expect.any(Number) as number,
			wire: { diameterMm: 0.914 },
		})
		expect((full['cautions'] as { hazard: string }[]).map(({ hazard }) => hazard)).toContain('wire')
	})

	test.each([
		{
			name: 'an option that it lacks',
			words: [magnolia, '--choose', 'extent=many'],
			says: /extent How far cannot be "many"/,
			status: 1,
		},
		{
			name: 'half an option',
			words: [magnolia, '--choose', 'extent'],
			says: /^usage: npm run -s design -- file\.json \[--choose axis=option/,
			status: 2,
		},
		{ name: 'no file', words: [], says: /^usage/, status: 2 },
	])('says in words what is wrong with $name', ({ words, says, status }) => {
		const result = run('design', ...words)

		expect([result.status, result.stdout]).toEqual([status, ''])
		expect(result.stderr).toMatch(says)
	})
})

describe('npm run -s dry', () => {
	const petal = { paste: 'gum', shape: 'sheet', thickness: 0.6, face: 'ventilated' }
	const rose = {
		paste: 'gum',
		petal: 0.8,
		petals: 9,
		footWidth: 25,
		core: { radius: 8, kind: 'fresh' },
		size: 50,
	}

	test('prints hours, what may be promised of every stage, and null where never', () => {
		const env = { T: 21, RH: 0.5, air: 'still' }
		const damp = { T: 21, RH: 0.75, air: 'still' }
		const night = [{ hours: 1, ...env }, { hours: 5, ...env, air: 'sealed' }, { ...env }]
		const requests = [
			{ piece: petal, env },
			{ piece: petal, env: damp },
			{ piece: petal, env: night },
			{ flower: rose, env: { T: 18, RH: 0.52, air: 'still' } },
		]

		const { stdout, status } = run('dry', write('dry.json', requests))

		const [usual, wet, boxed, flower] = JSON.parse(stdout) as Record<string, Record<string, number | string | null>>[]
		const numberOf = (of: typeof usual, quantity: string, stage: string) => Number(of?.[quantity]?.[stage])
		expect(status).toBe(0)
		// By the second calibration's own program: 2.0395 h, sure at 1.554 times that.
		expect(numberOf(usual, 'hours', 'firm')).toBeCloseTo(2.0395, 1)
		expect(numberOf(usual, 'plan', 'firm') / numberOf(usual, 'p50', 'firm')).toBeCloseTo(1.554, 2)
		expect(numberOf(usual, 'p90', 'firm')).toBeCloseTo(numberOf(usual, 'plan', 'firm'), 4)
		expect(usual?.['kind']?.['firm']).toBe('sure')
		expect(numberOf(usual, 'chance', 'firm')).toBeCloseTo(0.9, 1)
		expect(wet).toMatchObject({
			hours: { firm: null },
			kind: { firm: 'unlikely' },
			plan: { firm: null },
			chance: { firm: null },
		})
		expect(numberOf(wet, 'needsHumidityBelow', 'firm')).toBeCloseTo(0.735, 3)
		expect(numberOf(boxed, 'hours', 'firm')).toBeGreaterThan(6)
		// Printed with the statements: four roses of 5 cm at 18 °C and 52 %, hard at 10.2 h.
		expect(numberOf(flower, 'hours', 'hard')).toBeCloseTo(10.2, 1)
	})

	test('says what is wrong with a request, by place', () => {
		const wrong = [
			{ piece: { ...petal, thickness: 0 }, env: { T: 21, RH: 1.3 } },
			{ piece: { ...petal, paste: 'plaster' }, env: [] },
			{ piece: { paste: 'gum', shape: 'cylinder', radius: 1, wireRadius: 2 }, env: { T: 21, RH: 0.5 } },
			{ flower: { ...rose, colour: 'pink' }, env: { T: 21, RH: 0.5 }, note: 'x' },
		]

		const { stderr, status } = run('dry', write('wrong.json', wrong))

		expect(status).toBe(1)
		expect(stderr).toMatch(/\[0\]\.piece\.thickness must be >= 0.1/)
		expect(stderr).toMatch(/\[0\]\.env\.RH must be <= 0.98/)
		expect(stderr).toMatch(/\[1\]\.piece\.paste must be equal to one of the allowed values: gum/)
		expect(stderr).toMatch(/\[1\]\.env must NOT have fewer than 1 items/)
		expect(stderr).toMatch(/\[2\]\.piece must NOT have additional properties "wireRadius"/)
		expect(stderr).toMatch(/\[3\] must NOT have additional properties "note"/)
		expect(stderr).toMatch(/\[3\]\.flower must NOT have additional properties "colour"/)
	})

	test('reads its example', () => {
		const { stdout, status } = run('dry', path.join(root, 'demo/exchange/drying.json'))

		expect(status).toBe(0)
		const told = JSON.parse(stdout) as { kind: Record<string, string>; plan: Record<string, number | null> }[]
		expect(told.map(({ kind }) => kind['firm'])).toEqual(['sure', 'if the room holds', 'sure'])
		// A rod of stiffened sugarpaste is as dry as it gets from one weekly class to the next.
		expect(told[1]?.kind['settled']).toBe('sure')
		expect(told[1]?.plan['settled']).toBeLessThan(7 * 24)
	})

	test('says what the form alone does not show', () => {
		const env = { T: 21, RH: 0.5 }
		const { petals: _, ...uncounted } = rose
		const wrong = [
			{ piece: { paste: 'gum', shape: 'cylinder', radius: 1, wire: 2 }, env },
			{ piece: { paste: 'gum', shape: 'sphere', radius: 5, core: 6 }, env },
			{ piece: petal, flower: rose, env },
			{ env },
			{ flower: uncounted, env },
			{ flower: { ...rose, core: { kind: 'dry', base: 4 } }, env: [env, env] },
		]

		const { stderr, status } = run('dry', write('odd.json', wrong))

		expect(status).toBe(1)
		for (const line of [
			'[0].piece.wire must be smaller',
			'[1].piece.core must be smaller',
			'[2] needs either a piece or a flower',
			'[3] needs either a piece or a flower',
			'[4].flower.layers must be given',
			'[5].flower.core.radius must be given',
			'[5].env[0].hours must be given',
		])
			expect(stderr).toContain(line)
	})
})

describe('npm run -s course', () => {
	const example = path.join(import.meta.dirname, '../../demo/exchange/course.json')
	const document = JSON.parse(readFileSync(example, 'utf8')) as {
		course: { sessions: Record<string, unknown>[] }
		rooms: Record<string, unknown>[]
	}

	interface Told {
		status: string
		objective: Record<string, number>
		sessions: {
			session: number
			date: string
			used: [string, string] | null
			spare: number
			steps: { start: string; end: string; kind: string; item: string; step: string; pieces: number; of: number }[]
		}[]
		waits: { from: string; claim: string | null; hours: { p50: number; plan: number } | null; slackMinutes: number }[]
		exchanged: { item: string; part: string; afterStep: string; pieces: number; minutes: number }[]
		waysOut: { verdict: string }[]
		kit: { totals: object } | null
	}

	function tell(name: string, content: unknown): Told {
		const { stdout, status, stderr } = run('course', write(name, content), '--time-ms', '2000')
		expect([status, stderr]).toEqual([0, ''])
		return JSON.parse(stdout) as Told
	}

	test('plans a document that holds all that it needs: one design in two ways, two rooms, a break', () => {
		const { status, sessions, waits, exchanged, waysOut, kit } = tell('course.json', document)

		expect(['optimal', 'feasible']).toContain(status)
		expect(sessions.map(({ date }) => date)).toEqual(['2026-03-12', '2026-03-19'])
		const steps = sessions.flatMap((session) => session.steps)
		expect(new Set(steps.map(({ kind }) => kind))).toEqual(new Set(['step', 'show', 'break']))
		expect(new Set(steps.flatMap(({ kind, item }) => (kind === 'step' ? [item] : [])))).toEqual(
			new Set(['calla-lily', 'small-calla']),
		)
		for (const { used, date, steps: own } of sessions) {
			for (const { start, end } of own) {
				expect(start).toMatch(new RegExp(`^${date}T\\d\\d:\\d\\d$`))
				expect(end > start).toBe(true)
			}
			expect(own.some(({ start }) => start === used?.[0])).toBe(true)
			expect(own.map(({ start }) => start)).toEqual(own.map(({ start }) => start).toSorted())
		}
		for (const { hours, slackMinutes } of waits) {
			expect(hours?.plan).toBeGreaterThan(0)
			if (slackMinutes !== null) expect(slackMinutes).toBeGreaterThanOrEqual(0)
		}
		for (const { item, minutes, pieces } of exchanged) {
			expect(['calla-lily', 'small-calla']).toContain(item)
			expect(Math.min(minutes, pieces)).toBeGreaterThan(0)
		}
		expect(waysOut).toEqual([])
		expect(kit?.totals).toBeDefined()
	})

	test('answers where it does not fit, with what would help; and says never where the air is too damp', () => {
		const damp = { temperatureC: 20, humidity: 0.82 }
		const { status, waysOut, waits } = tell('short.json', {
			...document,
			rooms: document.rooms.map((room) => ({ ...room, climate: damp })),
			store: { climate: damp },
			course: {
				...document.course,
				sessions: [{ ...document.course.sessions[0], endMin: 1200, breaks: [] }],
			},
		})

		expect(['infeasible', 'impossible']).toContain(status)
		expect(waysOut.length).toBeGreaterThan(0)
		const spadix = waits.find(({ from }) => from === 'spadix-form')
		expect(spadix).toMatchObject({ claim: 'never', hours: null })
	})

	test('tells what is wrong with a document as JSON, each at its place', () => {
		const sessions = document.course.sessions.map((session, s) =>
			s === 1 ? { ...session, date: '2026-02-30' } : session,
		)

		const { stdout, status } = run(
			'course',
			write('bad.json', { ...document, course: { ...document.course, sessions } }),
		)

		expect(status).toBe(1)
		expect((JSON.parse(stdout) as { problems: object[] }).problems).toEqual([
			{ path: 'course.sessions[1].date', message: expect.stringMatching(/day/) as string },
		])
	})
})

describe('npm run -s kit', () => {
	const course = {
		format: 'calycine-course',
		formatVersion: 1,
		course: {
			name: 'Test',
			studentCount: 3,
			designs: [{ designId: 'magnolia', picks: { leaves: 'two' } }],
			sessions: [5, 12, 19].map((day) => ({
				date: `2026-03-${String(day).padStart(2, '0')}`,
				startMin: 1140,
				endMin: 1260,
			})),
		},
		designs: [demoDesign('magnolia')],
		students: [{ name: 'A' }, { name: 'B', avoids: ['egg'] }],
	}

	test('prints kits, totals, cutting plans, sheets, tools and shopping, and the totals are the sums of the kits', () => {
		const { status, answer } = run('kit', write('course.json', course))
		const { kits, totals, ...rest } = answer() as {
			kits: { paste: { mg: number }[]; exchanges: object[] }[]
			totals: { paste: { kits: number[] }[] }
		}

		expect(status).toBe(0)
		expect(Object.keys(rest)).toEqual(['plan', 'wires', 'sheets', 'made', 'colours', 'tools', 'formers', 'shopping'])
		expect(kits).toHaveLength(3)
		expect(kits[1]?.exchanges).toMatchObject([{ instead: 'gum paste without egg' }])
		expect(kits.flatMap(({ paste }) => paste).reduce((sum, { mg }) => sum + mg, 0)).toBe(
			totals.paste.flatMap((line) => line.kits).reduce((sum, mg) => sum + mg, 0),
		)
	})

	test('says what is wrong with a course, by place', () => {
		const { status, stderr } = run('kit', write('bad.json', { ...course, designs: [] }))

		expect(status).toBe(1)
		expect(stderr).toMatch(/^designs /m)
	})
})

describe('npm run -s rehearse', () => {
	const course = path.join(root, 'demo', 'exchange', 'course.json')

	test('prints chances of each evening, of each place and of the course, others for another seed', () => {
		const [first, other] = ['7', '8'].map((seed) => {
			const { status, stderr, answer } = run('rehearse', course, '--classes', '200', '--seed', seed)
			expect([status, stderr]).toEqual([0, ''])
			return answer()
		})
		const { classes, sessions, places, advice } = first as {
			classes: number
			sessions: { onTime: { share: number; low: number; high: number } }[]
			places: object[]
			advice: { gain: number; uncertainty: number }[]
		}

		expect(classes).toBe(200)
		expect(sessions.length).toBeGreaterThan(0)
		for (const { onTime } of sessions) expect(onTime.low <= onTime.share && onTime.share <= onTime.high).toBe(true)
		expect(places.length).toBeGreaterThan(1)
		expect(advice.map(({ gain }) => gain)).toEqual(advice.map(({ gain }) => gain).toSorted((a, b) => b - a))
		expect(other).not.toEqual(first)
	})

	test.each([
		{ words: ['--classes', '0'], says: /^--classes must be a whole number from 1 to 10000, got 0/ },
		{ words: [], says: /^usage: npm run -s rehearse -- course\.json \[--classes N\]/ },
	])('says what is wrong with $words', ({ words, says }) => {
		const { status, stderr } = run('rehearse', ...(words.length > 0 ? [course, ...words] : []))

		expect(status).toBe(2)
		expect(stderr).toMatch(says)
	})
})

describe('npm run -s learn', () => {
	const occasion = (real: number, week: number) => ({
		...{ class: `class ${week}`, date: `2026-01-${String(6 + 7 * week).padStart(2, '0')}`, level: 'practised' },
		...{ technique: 'cupping', step: 'magnolia/inner-shape', statedMinutes: 20, students: 8, done: 7, real },
	})

	test('prints beliefs and a backtest: what always takes longer is believed to', () => {
		const minutes = [0, 1, 2, 3].map((week) => occasion(40, week))
		const { status, answer } = run('learn', write('log.json', { format: 'calycine-log', minutes }))
		expect(status).toBe(0)
		const { techniques, steps, backtest } = answer() as {
			techniques: { technique: string; factor: number; ninety: [number, number]; classes: number }[]
			steps: { factor: number }[]
			backtest: { count: number; error: { learnt: number; stated: number } }
		}
		expect(techniques).toMatchObject([{ technique: 'cupping', classes: 4 }])
		expect(techniques[0]!.factor).toBeGreaterThan(1.1)
		expect(techniques[0]!.ninety[0]).toBeLessThan(techniques[0]!.factor)
		expect(steps[0]!.factor).toBeGreaterThan(techniques[0]!.factor)
		expect(backtest.count).toBe(4)
		expect(backtest.error.learnt).toBeLessThan(backtest.error.stated)
	})

	test('says what is wrong with a log', () => {
		const both = { ...occasion(30, 0), from: 3 }
		const { status, stderr } = run('learn', write('bad.json', { format: 'calycine-log', minutes: [both] }))
		expect(status).toBe(1)
		expect(stderr).toContain('Either real, or from and to')
	})
})
