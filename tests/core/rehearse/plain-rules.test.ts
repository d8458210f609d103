/** The fast player against the same rules written plainly, on random scripts with everything in them. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { LOST } from '../../../core/rehearse/class-state'
import {
	USUAL_TERMS,
	type RehearsalTerms,
	type Script,
	type Stretch,
	type WorkItem,
} from '../../../core/rehearse/script'
import { playPlainly } from '../../support/plain-rehearsal'

const SESSION_MINUTES = 60
const SESSION_GAP = 1440
const TASKS = 5
const KINDS = 2

const stretch = fc.record({
	pieceCount: fc.integer({ min: 0, max: 4 }),
	minutesEach: fc.double({ min: 0.5, max: 5, noNaN: true }),
	toolA: fc.constantFrom(0, 0, 0.3, 0.5),
	toolB: fc.constantFrom(0, 0, 0.5),
	kind: fc.option(fc.nat(KINDS - 1), { nil: undefined }),
	breakage: fc.constantFrom(0, 0.1, 0.4),
	change: fc.constantFrom(undefined, undefined, 2),
	isSteady: fc.boolean(),
})

const item = fc.record({
	stretches: fc.array(stretch, { minLength: 0, maxLength: 2 }),
	fixedMinutes: fc.constantFrom(0, 0, 1.5),
	isHalved: fc.boolean(),
	technique: fc.constantFrom(undefined, 'rolling', 'veining'),
	doubt: fc.constantFrom(undefined, 0.05, 0.4),
	show: fc.boolean(),
	waitsFor: fc.option(fc.nat(TASKS - 1), { nil: undefined }),
	isPiecewise: fc.boolean(),
	drying: fc.option(fc.nat(1), { nil: undefined }),
	mayBeDried: fc.boolean(),
	extra: fc.constantFrom(undefined, undefined, 0, 1),
})

const scripts = fc
	.record({
		items: fc.array(item, { minLength: TASKS, maxLength: TASKS }),
		students: fc.array(fc.constantFrom(1, 1.2, 1.4), { minLength: 2, maxLength: 5 }),
		callMinutes: fc.constantFrom(Infinity, 15, 4),
		sessionCount: fc.integer({ min: 1, max: 3 }),
		toolCounts: fc.tuple(fc.integer({ min: 1, max: 2 }), fc.integer({ min: 1, max: 2 })),
		needed: fc.integer({ min: 1, max: 3 }),
		tea: fc.integer({ min: 0, max: 50 }),
	})
	.map(({ items, students, callMinutes, sessionCount, toolCounts, needed, tea }): Script => {
		const sessionOf = (i: number) => Math.floor((i * sessionCount) / TASKS)
		const startOf = (i: number) => {
			const first = items.findIndex((_, j) => sessionOf(j) === sessionOf(i))
			return SESSION_GAP * sessionOf(i) + 10 * (i - first)
		}
		const shown = items.flatMap(({ show }, i) => (show ? [i] : []))
		return {
			levels: students,
			callMinutes: students.map(() => callMinutes),
			sessions: Array.from({ length: sessionCount }, (_, s) => ({
				open: SESSION_GAP * s,
				close: SESSION_GAP * s + SESSION_MINUTES,
				pauses: [{ start: SESSION_GAP * s + tea, minutes: 7 }],
				homeMinutes: 0,
			})),
			shows: shown.map((i) => ({ session: sessionOf(i), start: startOf(i), minutes: 6, itemsBefore: i })),
			items: items.map((own, i): WorkItem => {
				const isReal = own.waitsFor !== undefined && own.waitsFor < i
				return {
					...{ kind: 'work', task: i, session: sessionOf(i), start: startOf(i), end: startOf(i) + 10 },
					fixedMinutes: own.fixedMinutes,
					stretches: own.stretches.map((one): Stretch => ({
						...{ pieceCount: one.pieceCount, minutesEach: one.minutesEach, againMinutes: 3 },
						turns: [one.toolA, one.toolB].flatMap((share, tool) => (share > 0 ? [{ tool, share }] : [])),
						...(one.kind !== undefined && { kind: one.kind }),
						...{ breakage: one.kind === undefined ? 0 : one.breakage, isSteady: one.isSteady },
						...(one.change !== undefined && { changeMinutes: one.change }),
					})),
					isHalved: own.isHalved,
					...(own.technique && { technique: own.technique }),
					...(own.doubt !== undefined && { doubt: own.doubt }),
					shows: own.show ? [shown.indexOf(i)] : [],
					waits:
						isReal && own.waitsFor !== undefined
							? [
									{
										from: own.waitsFor,
										isPiecewise: own.isPiecewise,
										...(own.drying !== undefined && { drying: own.drying, mayBeDried: own.mayBeDried }),
									},
								]
							: [],
					...{ isFirst: true, mayGoHome: false },
					...(own.extra !== undefined && { extra: own.extra }),
				}
			}),
			tasks: items.map((_, i) => ({ id: `step ${i}` })),
			kinds: Array.from({ length: KINDS }, () => ({ needed, made: 4 })),
			extras: ['buds', 'dew'],
			tools: toolCounts.map((count, t) => ({ name: `tool ${t}`, count })),
			dryings: [
				{ kind: 'fixed', minutes: 9 },
				{ kind: 'lognormal', id: 'petals', median: 12, sd: 0.3, paste: 'gum paste', airChance: 0.8, leastMinutes: 0 },
			],
		}
	})

const terms = fc.record({
	seed: fc.nat(1000),
	mostShare: fc.constantFrom(0.5, 0.8, 1),
	showPatience: fc.constantFrom(0, 5, 30),
	helperCount: fc.integer({ min: 1, max: 2 }),
	awayChance: fc.constantFrom(0, 0.2),
	lateChance: fc.constantFrom(0, 0.4),
	mayBeginEarly: fc.boolean(),
	leaveOutAfter: fc.constantFrom(Infinity, 0, 12),
	showsOneByOne: fc.boolean(),
	driedSets: fc.constantFrom(0, 1, 3),
})

test('agrees with the rules written plainly: every item, every evening, every minute lost', () => {
	let compared = 0
	fc.assert(
		fc.property(scripts, terms, fc.nat(50), (script, own, classNumber) => {
			const all: RehearsalTerms = { ...USUAL_TERMS, ...own }
			const player = new ClassPlayer(script, all)
			// What was played before leaves nothing behind.
			player.play(classNumber + 1)
			player.play(classNumber)
			const plain = playPlainly(script, all, classNumber)
			const [items, sessions] = [script.items.length, script.sessions.length]
			const causes = LOST.tools + script.tools.length
			script.levels.forEach((_, n) => {
				expectClose([...player.itemEnds.slice(n * items, (n + 1) * items)], plain.itemEnds[n]!)
				const done = [...player.doneAt.slice(n * sessions, (n + 1) * sessions)].map((moment, s) =>
					moment > script.sessions[s]!.close ? Infinity : moment,
				)
				expectClose(done, plain.doneAt[n]!)
				const { paste, show, help, tools } = plain.lost[n]!
				expectClose([...player.lost.slice(n * causes, (n + 1) * causes)], [paste, show, help, ...tools])
				compared += plain.itemEnds[n]!.filter((end) => Number.isFinite(end)).length
			})
			const { begun, broken, made, left } = player.pieces
			expect(begun).toBe(broken + made + left)
		}),
		{ numRuns: 400, seed: 7 },
	)
	expect(compared).toBeGreaterThan(2000)
})

function expectClose(actual: number[], expected: number[]): void {
	const isClose = actual.every((value, k) => {
		const other = expected[k]!
		return Object.is(value, other) || Math.abs(value - other) < 1e-6
	})
	if (!isClose) expect(actual).toEqual(expected)
}
