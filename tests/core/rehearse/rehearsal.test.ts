/** What a rehearsal answers: chances with their intervals, the same luck for what is compared, and what minutes are lost to. */
import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import { minutesAhead } from '../../../core/plan/tell/drying-ahead'
import { beginTrial, listChanges, rankAdvice, tryChange } from '../../../core/rehearse/advice'
import { ClassLuck } from '../../../core/rehearse/class-luck'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { NORMAL_QUANTILES, hashOf, pieceQuantiles, uniform } from '../../../core/rehearse/luck'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { mostOf, USUAL_TERMS, type Script } from '../../../core/rehearse/script'
import { wilsonInterval } from '../../../core/rehearse/wilson-interval'
import { writeScript } from '../../../core/rehearse/write-script'
import { packDemo } from '../../support/demo-kit'

function scriptOf(name: string, owned: Record<string, number> = {}): Script {
	const { course, designs, compiled, plan } = packDemo(name)
	return writeScript({ course, designs, compiled, plan, owned })
}

const ONE_VEINER = scriptOf('Magnolia on Thursdays', { 'petal veiner': 1 })
const TWO_VEINERS = scriptOf('Magnolia on Thursdays', { 'petal veiner': 2 })

describe('luck', () => {
	test('is as even as chance: the draws of one purpose, and of neighbours, by chi squared', () => {
		for (const stride of [1, 2, 64]) {
			const counts = new Array<number>(20).fill(0)
			for (let k = 0; k < 20_000; k++) counts[Math.floor(20 * uniform(hashOf(hashOf(5, k * stride), 3)))]!++
			const chi2 = counts.reduce((sum, count) => sum + (count - 1000) ** 2 / 1000, 0)
			// 19 degrees of freedom, 0.1 % and 99.9 %: any table.
			expect(chi2).toBeGreaterThan(5.4)
			expect(chi2).toBeLessThan(43.8)
		}
	})

	test('has quantiles of the normal distribution, and pieces whose mean is one and whose spread is as set', () => {
		for (const q of [0, 100, 2048, 4095])
			expect(NORMAL_QUANTILES[q]).toBeCloseTo(jStat.normal.inv((q + 0.5) / 4096, 0, 1), 5)
		const pieces = [...pieceQuantiles(0.25)]
		expect(jStat.mean(pieces)).toBeCloseTo(1, 12)
		expect(jStat.stdev(pieces)).toBeCloseTo(0.25, 2)
	})

	test('lets things dry as the drying screen has it: half by its even odds, nine in ten by the time to plan with', () => {
		const { story } = packDemo('Magnolia on Thursdays')
		const { wait } = story.threads[0]!
		const drying = ONE_VEINER.dryings.find((one) => one.kind === 'lognormal' && one.id === wait.key)!
		const times = Array.from({ length: 4000 }, (_, c) => new ClassLuck(USUAL_TERMS, c).dryingMinutes(drying))
		const by = (minutes: number) => times.filter((time) => time <= minutes).length / times.length

		expect(by(wait.p50Minutes!)).toBeGreaterThan(0.47)
		expect(by(wait.p50Minutes!)).toBeLessThan(0.53)
		expect(by(minutesAhead(wait))).toBeGreaterThan(0.88)
		expect(by(minutesAhead(wait))).toBeLessThan(0.92)
	})
})

test('intervals are those shares that a score test at 5 % would not refuse', () => {
	const z = jStat.normal.inv(0.975, 0, 1)
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 5000 }), fc.double({ min: 0, max: 1, noNaN: true }), (trials, part) => {
			const successes = Math.round(part * trials)
			const { share, low, high } = wilsonInterval(successes, trials)
			for (const bound of [low, high].filter((one) => one > 1e-9 && one < 1 - 1e-9))
				expect(Math.abs(share - bound)).toBeCloseTo(z * Math.sqrt((bound * (1 - bound)) / trials), 6)
			expect(low <= share && share <= high).toBe(true)
		}),
	)
})

describe('what is compared has the same luck', () => {
	const CLASSES = 300
	/** By class: minutes past the planned end at which most are done with the last evening. */
	const ends = (script: Script, seed: number) => {
		const player = new ClassPlayer(script, { ...USUAL_TERMS, seed })
		const [n, s] = [script.levels.length, script.sessions.length]
		return Array.from({ length: CLASSES }, (_, c) => {
			player.play(c)
			const done = Array.from({ length: n }, (_x, k) => player.doneAt[k * s]!).filter((end) => !Number.isNaN(end))
			return done.toSorted((a, b) => a - b)[mostOf(USUAL_TERMS.mostShare, done.length) - 1]!
		})
	}
	const spread = (a: number[], b: number[]) =>
		jStat.stdev(
			a.map((value, c) => value - b[c]!),
			true,
		) ** 2

	test('one veiner more', () => {
		const [one, two] = [ends(ONE_VEINER, 1), ends(TWO_VEINERS, 1)]
		expect(spread(one, two)).toBeLessThan(0.5 * spread(one, ends(TWO_VEINERS, 2)))
		expect(jStat.mean(two)).toBeLessThan(jStat.mean(one))
	})

	test('ten minutes more of an evening', () => {
		const [first, ...rest] = TWO_VEINERS.sessions
		const longer = { ...TWO_VEINERS, sessions: [{ ...first!, close: first!.close + 10 }, ...rest] }
		const onTime = (script: Script, seed: number) =>
			ends(script, seed).map((end) => (end <= script.sessions[0]!.close ? 1 : 0))
		const [short, long] = [onTime(TWO_VEINERS, 1), onTime(longer, 1)]
		expect(spread(short, long)).toBeLessThan(0.5 * spread(short, onTime(longer, 2)))
		expect(jStat.mean(long)).toBeGreaterThan(jStat.mean(short))
	})
})

describe('advice', () => {
	const effortOf = () => ({ nodes: 50 })
	const trialOf = (seed: number, classCount: number) => {
		const terms = { ...USUAL_TERMS, seed }
		const before = new Rehearsal(ONE_VEINER, terms)
		before.play(classCount)
		return { script: ONE_VEINER, terms, before, effortOf }
	}
	const adviceOf = (seed: number) => tryChange(trialOf(seed, 200), { kind: 'tool', name: 'petal veiner', count: 2 })!

	test('keeps its word: what is promised is what 40 other seeds give, within both their doubts, nine times in ten', () => {
		const promised = adviceOf(1)
		const kept = Array.from({ length: 40 }, (_, k) => adviceOf(100 + k)).filter(({ gain, uncertainty }) => {
			return Math.abs(gain - promised.gain) <= Math.hypot(uncertainty, promised.uncertainty)
		})

		expect(promised.gain).toBeGreaterThan(promised.uncertainty)
		expect(kept.length).toBeGreaterThanOrEqual(36)
	})

	test('of what helps tells what another luck gives, so that the best of many tried does not promise too much', () => {
		const change = { kind: 'tool', name: 'petal veiner', count: 2 } as const
		const trial = beginTrial({ script: ONE_VEINER, terms: { ...USUAL_TERMS, seed: 1 }, effortOf }, 200)
		expect(trial.again!.terms.seed).not.toBe(1)
		const { seed } = trial.again!.terms
		expect(tryChange(trial, change)).toEqual(tryChange(trialOf(seed, trial.again!.before.classCount), change))
		expect(trial.again!.before.classCount).toBeGreaterThan(trial.before.classCount)
		// What does not help is told as it was tried.
		const none = { kind: 'tool', name: 'no such tool', count: 9 } as const
		expect(tryChange(trial, none)).toMatchObject({ gain: 0, uncertainty: 0 })
	})

	test('lists what can be changed, the most helpful first: a veiner before an assistant where all queue for it', () => {
		const trial = trialOf(1, 300)
		const advice = rankAdvice(listChanges(trial).flatMap((change) => tryChange(trial, change) ?? []))

		expect(advice[0]?.change).toEqual({ kind: 'tool', name: 'petal veiner', count: 2 })
		expect(listChanges(trial).map(({ kind }) => kind)).toEqual(['tool', 'assistant'])
	})
})

describe('a rehearsal', () => {
	const rehearsal = new Rehearsal(ONE_VEINER, USUAL_TERMS)
	rehearsal.play(600)
	const figures = rehearsal.figures()

	test('is the same for the same seed, and another for another one', () => {
		const again = new Rehearsal(ONE_VEINER, USUAL_TERMS)
		again.play(250)
		again.play(350)
		const other = new Rehearsal(ONE_VEINER, { ...USUAL_TERMS, seed: 2 })
		other.play(600)

		expect(again.figures()).toEqual(figures)
		expect(other.figures()).not.toEqual(figures)
	})

	test('has moments in order, chances in their intervals, and a buffer with which nine in ten would be on time', () => {
		for (const { onTime, allDone, end, plannedEnd, bufferMinutes } of figures.sessions) {
			expect(onTime.low <= onTime.share && onTime.share <= onTime.high).toBe(true)
			expect(allDone.share).toBeLessThanOrEqual(onTime.share)
			expect(end.p10 <= end.p50 && end.p50 <= end.p90).toBe(true)
			expect(plannedEnd! + bufferMinutes).toBeGreaterThanOrEqual(end.p90)
		}
		expect(figures.course.share).toBeLessThanOrEqual(Math.min(...figures.sessions.map(({ onTime }) => onTime.share)))
	})

	test('says where minutes are lost: with one veiner for eight at the veiner', () => {
		const veiner = ONE_VEINER.tools.findIndex(({ name }) => name === 'petal veiner')
		const twice = new Rehearsal(TWO_VEINERS, USUAL_TERMS)
		twice.play(600)

		expect(figures.lost.tools[veiner]).toBeGreaterThan(10)
		expect(twice.figures().lost.tools[veiner]).toBeLessThan(figures.lost.tools[veiner]! / 2)
		const ofPlaces = figures.places.reduce((sum, { lost }) => sum + lost.tools[veiner]!, 0)
		expect(ofPlaces / figures.places.length).toBeCloseTo(figures.lost.tools[veiner]!, 8)
	})

	test('beginners are later than practised hands, place by place', () => {
		const { course, designs, compiled, plan } = packDemo('Magnolia on Thursdays')
		const levels = course.pace === 'beginners' ? [] : (['beginners', 'practised'] as const)
		const mixed = new Rehearsal(writeScript({ course, designs, compiled, plan, levels }), USUAL_TERMS)
		mixed.play(400)
		const [slow, quick] = mixed.figures().places

		expect(slow!.done[0]!.share).toBeLessThan(quick!.done[0]!.share)
		expect(slow!.leftMinutes[0]).toBeGreaterThan(quick!.leftMinutes[0]!)
	})
})
