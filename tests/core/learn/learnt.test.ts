/** What was learnt of breakage and paste, in plans and kits; and how far learnt minutes hold, in rehearsals. */
import { describe, expect, test } from 'vitest'
import { groupBreakage } from '../../../core/course/pace'
import { sparesFor } from '../../../core/learn/breakage-belief'
import { learnFrom, learntPartKey, withLearnt, type Learnt, type PartObservation } from '../../../core/learn/learnt'
import { piecesOfGroup } from '../../../core/learn/pieces-to-make'
import { piecesToMake } from '../../../core/materials/spares'
import { packClassKit } from '../../../core/kit/class-kit'
import { totalPaste, totalPasteByKind } from '../../../core/kit/paste-totals'
import { planCourse, resolveCourse } from '../../../core/plan/plan-course'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { USUAL_TERMS } from '../../../core/rehearse/script'
import { writeScript } from '../../../core/rehearse/write-script'
import { OCCASION_SD } from '../../../core/vocabulary/spreads'
import { demoCourse, demoDesign } from '../../support/demo-designs'
import { makeLearningStudio } from '../../support/learning-studio'

const course = demoCourse('Magnolia on Thursdays')
const documents = course.designs.map(({ designId }) => demoDesign(designId))
const NOTHING: Learnt = { since: '2026-03-02', levels: {}, techniques: {}, steps: {} }
const [{ design }] = resolveCourse(course, documents) as [ReturnType<typeof resolveCourse>[number]]
const part = design.parts.find(({ breakage, piecesPerFlower }) => breakage > 0 && piecesPerFlower >= 3)!
const key = learntPartKey(design.id, part.of)

const seen = (broken: number, made = 100): PartObservation => {
	return { id: String(broken), part: key, level: 'practised', stated: part.breakage, made, broken }
}
const learntOf = (...breakage: PartObservation[]) => learnFrom({ minutes: [], breakage, paste: [] }, '2026-03-02')

function planWith(learnt: Learnt) {
	const terms = { ...ORDINARY_TERMS, learnt }
	const { compiled, plan } = planCourse(course, documents, terms)
	const designs = resolveCourse(course, documents, terms)
	const pasteUsed = learnt.paste
	const studio = { stockLengthsMm: [360], pasteUsed }
	return { designs, compiled, plan: plan!, kit: packClassKit(course, designs, { compiled, plan: plan!, studio }) }
}

describe('breakage', () => {
	const madeWith = (learnt: Learnt) => {
		return planWith(learnt).kit.lines.find((line) => line.part.of === part.of)!.shares.usual
	}

	test('gives kits more spares of what broke often, and fewer of what never did', () => {
		const usual = madeWith(NOTHING)
		expect(madeWith(learntOf(seen(40)))).toBeGreaterThan(usual)
		expect(madeWith(learntOf(seen(0, 2000)))).toBeLessThan(usual)
	})

	test('is taken by the tail of what is foretold, which what is stated alone is not', () => {
		const lost = learntOf(seen(9)).breakage![key]!
		const [own] = withLearnt(design, { ...NOTHING, breakage: { [key]: lost } }, course.pace).parts.filter(
			({ of }) => of === part.of,
		)
		const toMake = piecesOfGroup(course.pace, 0.9)
		const wanted = { pieces: 6, level: course.pace, stated: part.breakage }
		expect(toMake(own!, 6)).toBe(6 + sparesFor(lost, wanted, 0.9))
		expect(toMake(part, 6)).toBe(piecesToMake(6, groupBreakage(part.breakage, course.pace), 0.9))
	})

	test('of a part leaves the others as they are stated', () => {
		const { parts } = withLearnt(design, learntOf(seen(40)), course.pace)
		for (const own of parts) if (own.of !== part.of) expect(own).toEqual(design.parts.find(({ id }) => id === own.id))
	})
})

describe('paste', () => {
	const gramsOf = (learnt: Learnt) => {
		return planWith(learnt).kit.paste.reduce((sum, { shares }) => sum + shares.usual, 0)
	}
	const weighed = (usedG: number) =>
		learnFrom(
			{
				minutes: [],
				breakage: [],
				paste: Array.from({ length: 8 }, (_, k) => ({ id: `${k}`, paste: 'gum paste', reckonedG: 100, usedG })),
			},
			'2026-03-02',
		)

	test('that is always over is weighed out less, and says so; that runs short, more', () => {
		const [less, more] = [weighed(70), weighed(140)]
		expect(less.paste!['gum paste']).toBeLessThan(1)
		expect(gramsOf(less) / gramsOf(NOTHING)).toBeCloseTo(less.paste!['gum paste']!, 2)
		expect(gramsOf(more) / gramsOf(NOTHING)).toBeCloseTo(more.paste!['gum paste']!, 2)
		const { kit } = planWith(less)
		for (const { item, shares, sources } of kit.paste) {
			if (item.paste !== 'gum paste') continue
			const learnt = sources.find(({ type }) => type === 'learnt')
			expect(learnt!.mg).toBeLessThan(0)
			// What it is made of still adds up to what it is.
			const sum = sources.reduce((mg, source) => mg + source.mg, 0)
			expect(Math.abs(sum - shares.usual)).toBeLessThanOrEqual(sources.length)
		}
	})

	test('is reckoned the same before anything was learnt, by whatever kits were weighed out', () => {
		const less = weighed(70)
		const [usual, own] = [totalPaste(planWith(NOTHING).kit.paste), totalPaste(planWith(less).kit.paste)]
		expect(own.map(({ paste }) => paste)).toEqual(usual.map(({ paste }) => paste))
		for (const [k, { reckonedG, handedG }] of own.entries()) {
			expect(Math.abs(reckonedG - usual[k]!.reckonedG)).toBeLessThanOrEqual(1)
			expect(handedG).toBeLessThanOrEqual(usual[k]!.handedG)
		}
	})

	test('for leaves that is always over leaves petals as they are; all of it by name is what they share', () => {
		const one = (kind: string, k: number, usedG: number) => ({ id: `${kind} ${k}`, paste: 'gum paste', kind, usedG })
		const paste = Array.from({ length: 8 }, (_, k) => [
			{ ...one('leaf', k, 60), reckonedG: 100 },
			{ ...one('petal', k, 100), reckonedG: 100 },
		]).flat()
		const learnt = learnFrom({ minutes: [], breakage: [], paste }, '2026-03-02')
		const { 'gum paste': whole, 'gum paste, leaf': leaf, 'gum paste, petal': petal } = learnt.paste!
		expect(leaf!).toBeLessThan(whole!)
		expect(petal!).toBeGreaterThan(whole!)
		const [usual, own] = [planWith(NOTHING).kit.paste, planWith(learnt).kit.paste]
		for (const [k, { item, kinds, shares, plainMg }] of own.entries()) {
			expect(plainMg).toBeCloseTo(usual[k]!.plainMg, 6)
			if (item.paste !== 'gum paste' || kinds.length !== 1) continue
			const factor = learnt.paste![`gum paste, ${kinds[0]!}`] ?? whole!
			expect(shares.usual / usual[k]!.shares.usual).toBeCloseTo(factor, 2)
		}
		expect(own.filter(({ kinds }) => kinds.includes('leaf'))).not.toEqual([])
	})

	test('is told by kind of piece where its colours say which, and the kinds are no more than the whole', () => {
		const { paste } = planWith(NOTHING).kit
		const [wholes, kinds] = [totalPaste(paste), totalPasteByKind(paste)]
		expect(kinds.map(({ kind }) => kind)).toContain('leaf')
		for (const whole of wholes) {
			const own = kinds.filter((one) => one.paste === whole.paste)
			const sum = own.reduce((grams, { handedG }) => grams + handedG, 0)
			expect(sum).toBeLessThanOrEqual(whole.handedG)
			expect(new Set(own.flatMap(({ colours }) => colours)).size).toBe(own.flatMap(({ colours }) => colours).length)
		}
	})

	test('leaves pieces, wires and tools alone', () => {
		const [usual, less] = [planWith(NOTHING).kit, planWith(weighed(70)).kit]
		expect(less.lines).toEqual(usual.lines)
		expect(less.wires).toEqual(usual.wires)
	})
})

describe('doubt', () => {
	test('of a step that many classes have taught is little more than what differs from class to class', () => {
		const { observations } = makeLearningStudio(3, 12)
		const { doubts = {} } = learnFrom({ minutes: observations, breakage: [], paste: [] }, '2026-03-02')
		const all = Object.values(doubts)
		expect(all).toHaveLength(new Set(observations.map(({ step }) => step)).size)
		for (const doubt of all) {
			expect(doubt).toBeGreaterThan(OCCASION_SD)
			expect(doubt).toBeLessThan(1.3 * OCCASION_SD)
		}
	})

	test('is what a rehearsal plays with: the surer the minutes, the nearer together the evenings end', () => {
		const steps = design.steps.map(({ id }) => `${design.id}/${id}`)
		const spreadWith = (doubt: number | undefined) => {
			const doubts = doubt === undefined ? {} : Object.fromEntries(steps.map((step) => [step, doubt]))
			const { designs, compiled, plan } = planWith({ ...NOTHING, doubts })
			const rehearsal = new Rehearsal(writeScript({ course, designs, compiled, plan }), { ...USUAL_TERMS, seed: 4 })
			rehearsal.play(400)
			const { p10, p90 } = rehearsal.figures().items[0]!.end
			return p90 - p10
		}
		const [sure, usual, unsure] = [spreadWith(0.02), spreadWith(undefined), spreadWith(0.6)]
		expect(sure).toBeLessThan(usual)
		expect(unsure).toBeGreaterThan(usual)
	})
})
