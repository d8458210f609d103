/** Beliefs about minutes: on studios whose truth is known, they come to it, and claim no more than they know. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { normalDistribution, normalQuantile } from '../../../core/drying/normal-distribution'
import { backtestMinutes } from '../../../core/learn/backtest'
import {
	MinutesBelief,
	scoreOfDone,
	USUAL_MINUTES_TERMS,
	type MinutesObservation,
} from '../../../core/learn/minutes-belief'
import { RunningMinutes } from '../../../core/learn/running-minutes'
import { makeLearningStudio } from '../../support/learning-studio'

const SEEDS = Array.from({ length: 200 }, (_, seed) => seed + 1)
const CLASSES = 12

const median = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length

/** ln of what the student in the middle takes, as believed. */
function believed(belief: MinutesBelief, own: MinutesObservation): number {
	return Math.log(own.statedMinutes) + belief.levelFactor(own.level).mean + belief.stepFactor(own).mean
}

test('the last of those who are done is as late as the expected normal order statistic says', () => {
	for (let count = 2; count <= 12; count++)
		for (let k = 1; k <= count; k++) {
			// E of the k-th of `count`, by the midpoints of equal shares of its Beta distribution.
			const steps = 1_000
			let [mass, sum] = [0, 0]
			for (let i = 0; i < steps; i++) {
				const share = (i + 0.5) / steps
				const weight = share ** (k - 1) * (1 - share) ** (count - k)
				mass += weight
				sum += weight * normalQuantile(share)
			}
			expect(Math.abs(scoreOfDone(k, count) - sum / mass)).toBeLessThan(0.03)
		}
	expect(normalDistribution(scoreOfDone(1, 1))).toBeCloseTo(0.5, 6)
})

describe('200 studios whose truth is known', () => {
	const studios = SEEDS.map((seed) => makeLearningStudio(seed, CLASSES))
	const ofClasses = ({ observations }: (typeof studios)[number], first: number, last: number) => {
		const ids = [...new Set(observations.map(({ classId }) => classId))].slice(first, last)
		return observations.filter(({ classId }) => ids.includes(classId))
	}
	const errorAfter = (studio: (typeof studios)[number], count: number) => {
		const belief = new MinutesBelief(ofClasses(studio, 0, count))
		return median(
			ofClasses(studio, 10, 12).map((own) => Math.abs(believed(belief, own) - Math.log(studio.trueMinutes(own)))),
		)
	}

	test('after ten classes a step’s minutes are at most half as far off as the stated ones', () => {
		const ratios = studios.map((studio) => errorAfter(studio, 10) / errorAfter(studio, 0))
		expect(median(ratios)).toBeLessThan(0.5)
	})

	test('the error falls from class to class', () => {
		const errors = Array.from({ length: 11 }, (_, count) => mean(studios.map((studio) => errorAfter(studio, count))))
		for (const [count, error] of errors.slice(1).entries()) expect(error).toBeLessThan(errors[count]!)
	})

	test('nine in ten of the minutes to come lie where nine in ten are said to lie, and one in two where one in two', () => {
		let [inNinety, inHalf, all] = [0, 0, 0]
		for (const studio of studios) {
			const belief = new MinutesBelief(ofClasses(studio, 0, 10))
			for (const own of ofClasses(studio, 10, 12)) {
				const { mean: at, variance } = belief.predict(own)
				const score = Math.abs(Math.log(own.to) - at) / Math.sqrt(variance)
				all++
				if (score < normalQuantile(0.95)) inNinety++
				if (score < normalQuantile(0.75)) inHalf++
			}
		}
		expect(inNinety / all).toBeGreaterThan(0.85)
		expect(inNinety / all).toBeLessThan(0.95)
		expect(inHalf / all).toBeGreaterThan(0.44)
		expect(inHalf / all).toBeLessThan(0.56)
	})
})

test('where a third is cut off by the close, what is believed is not biased by more than 3 %', () => {
	let cut = 0
	const biases = SEEDS.slice(0, 100).map((seed) => {
		const { observations, trueMinutes } = makeLearningStudio(seed, CLASSES, 1 / 3)
		cut += observations.filter(({ to }) => to === Infinity).length / observations.length / 100
		const belief = new MinutesBelief(observations)
		return mean(observations.map((own) => believed(belief, own) - Math.log(trueMinutes(own))))
	})
	expect(cut).toBeGreaterThan(0.3)
	expect(Math.abs(mean(biases))).toBeLessThan(0.03)
})

describe('a belief', () => {
	const { observations } = makeLearningStudio(3, 6, 0.2)
	const figures = (belief: MinutesBelief) => {
		return observations.slice(0, 20).flatMap((own) => {
			const { mean: at, variance } = belief.predict(own)
			return [at, variance]
		})
	}

	test('is the same whatever came first', () => {
		fc.assert(
			fc.property(fc.shuffledSubarray(observations, { minLength: observations.length }), (shuffled) => {
				const [one, other] = [figures(new MinutesBelief(observations)), figures(new MinutesBelief(shuffled))]
				for (const [k, figure] of one.entries()) expect(Math.abs(figure - other[k]!)).toBeLessThan(1e-8)
			}),
			{ numRuns: 5 },
		)
	})

	test('of nothing is what is stated, as unsure as it was said to be', () => {
		const { mean: at, variance } = new MinutesBelief([]).stepFactor({ technique: 'veining', step: 'petal' })
		expect(at).toBe(0)
		expect(Math.sqrt(variance)).toBeCloseTo(Math.hypot(0.25, 0.2), 12)
		expect(new MinutesBelief([]).levelFactor('beginners').mean).toBeCloseTo(Math.log(1.4), 12)
	})

	test('knows a step that nobody has taught by its technique', () => {
		const belief = new MinutesBelief(observations)
		const known = belief.techniqueFactor('technique 1')
		const unknown = belief.stepFactor({ technique: 'technique 1', step: 'another' })
		expect(unknown.mean).toBeCloseTo(known.mean, 12)
		expect(unknown.variance).toBeGreaterThan(known.variance)
		expect(belief.classesOfTechnique('technique 1')).toBe(6)
		expect(belief.classesOfStep('another')).toBe(0)
	})

	test('takes a class that it knows at its own pace', () => {
		const slow = observations.map((own) => {
			return own.classId === 'class 2' ? { ...own, from: own.from * 1.6, to: own.to * 1.6 } : own
		})
		const belief = new MinutesBelief(slow)
		const own = slow.find(({ classId }) => classId === 'class 2')!
		expect(belief.predict(own).mean).toBeGreaterThan(belief.predict({ ...own, classId: 'a new one' }).mean + 0.1)
	})
})

describe('looking back', () => {
	const { observations } = makeLearningStudio(11, CLASSES, 0.1)
	const { occasions, figures } = backtestMinutes(observations)

	test('predicts every occasion from what was known before its day alone', () => {
		expect(occasions).toHaveLength(observations.length)
		const [first] = occasions
		const { mean: at } = new MinutesBelief([]).predict(first!.observation)
		expect(first!.predicted).toBeCloseTo(Math.exp(at), 9)
		const known = observations.filter(({ from, to }) => from === to)
		const later = backtestMinutes(known).occasions[100]!
		const past = known.filter(({ date }) => date < later.observation.date)
		expect(later.predicted).toBeCloseTo(Math.exp(new MinutesBelief(past).predict(later.observation).mean), 9)
	})

	test('counts what is known to the minute', () => {
		expect(figures.count).toBe(observations.filter(({ from, to }) => from === to).length)
	})

	test('finds, in the mean of studios, that learning helps more than a list, and more with time', () => {
		const backtests = SEEDS.slice(0, 30).map((seed) => backtestMinutes(makeLearningStudio(seed, CLASSES).observations))
		const errors = (way: 'learnt' | 'stated' | 'meanOfPast') => mean(backtests.map((own) => own.figures.error[way]))
		expect(errors('learnt')).toBeLessThan(errors('meanOfPast'))
		expect(errors('learnt')).toBeLessThan(errors('stated'))
		const [first, last] = (['first', 'last'] as const).map((third) => {
			return mean(backtests.map((own) => own.thirds[third].error.learnt))
		})
		expect(last).toBeLessThan(first!)
		expect(mean(backtests.map((own) => own.figures.insideNinety))).toBeGreaterThan(0.85)
	})

	test('of nothing says nothing', () => {
		expect(backtestMinutes([]).figures).toMatchObject({ count: 0, insideNinety: NaN })
	})
})

describe('class after class', () => {
	const latest = (observations: readonly MinutesObservation[], date: string) => {
		const running = new RunningMinutes(USUAL_MINUTES_TERMS)
		for (const own of observations) if (own.date < date) running.take(own)
		return running
	}

	test('what is believed is the same as from all of them at once', () => {
		const { observations } = makeLearningStudio(8, 6)
		const { date } = observations.at(-1)!
		const [running, whole] = [
			latest(observations, date),
			new MinutesBelief(observations.filter((own) => own.date < date)),
		]
		for (const own of observations) {
			const [a, b] = [running.predict(own), whole.predict(own)]
			expect(a.mean).toBeCloseTo(b.mean, 9)
			expect(a.variance).toBeCloseTo(b.variance, 9)
		}
	})

	test('a class that is over can be left without a change in what is believed of others', () => {
		const { observations } = makeLearningStudio(9, 6)
		const { date } = observations.at(-1)!
		const [kept, left] = [latest(observations, date), latest(observations, date)]
		for (const classId of new Set(observations.filter((own) => own.date < date).map((own) => own.classId)))
			left.leave(classId)
		for (const own of observations) {
			if (own.date < date) continue
			const [a, b] = [kept.predict(own), left.predict(own)]
			expect(a.mean).toBeCloseTo(b.mean, 12)
			expect(a.variance).toBeCloseTo(b.variance, 12)
		}
	})

	test.each([
		{ cutShare: 0.05, most: 0.03 },
		{ cutShare: 1 / 3, most: 0.1 },
	])('with $cutShare cut off it is off by less than $most, where a minute is foretold to 0.3', ({ cutShare, most }) => {
		const differences = [10, 11, 12, 13].flatMap((seed) => {
			const { observations } = makeLearningStudio(seed, 8, cutShare)
			const { date } = observations.at(-1)!
			const running = latest(observations, date)
			const whole = new MinutesBelief(observations.filter((own) => own.date < date))
			return observations.flatMap((own) => {
				const [a, b] = [running.predict(own), whole.predict(own)]
				return [Math.abs(a.mean - b.mean), Math.abs(Math.sqrt(a.variance) - Math.sqrt(b.variance))]
			})
		})
		expect(Math.max(...differences)).toBeLessThan(most)
		expect(mean(differences)).toBeLessThan(most / 5)
	})
})
