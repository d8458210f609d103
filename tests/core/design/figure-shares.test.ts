/** What figures are made of adds up to them: for all designs of the demo, in all their usual options. */
import { describe, expect, test } from 'vitest'
import { measureDesign } from '../../../core/design/design-figures'
import { longestChain, measureEffort } from '../../../core/design/design-effort'
import { shareFigures } from '../../../core/design/figure-shares'
import { resolveDesign } from '../../../core/design/resolve-design'
import { figureReasons } from '../../../app/design/words/figure-reasons'
import { demoDesign, demoDesignIds } from '../../support/demo-designs'
import { largeDesign } from '../../support/large-design'
import { makeDesign, makePart, makeStep } from '../../support/make-design'

const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0)

describe.each([...demoDesignIds().map(demoDesign), largeDesign()])('the figures of $name', (document) => {
	const design = resolveDesign(document, {})
	const figures = measureDesign(design, 'swg')
	const shares = shareFigures(design)
	const { parts, bundles, assemblyMinutes, tape, chain } = shares

	test('are the sums of what they are made of', () => {
		const work = sum(parts.map(({ workMinutes }) => workMinutes)) + assemblyMinutes

		expect(Math.round(work)).toBe(figures.handsOnMinutes)
		expect(sum(parts.map(({ pieceCount, pasteG }) => pieceCount * pasteG))).toBeCloseTo(figures.pasteG, 9)
		expect(sum([...parts, ...bundles].map(({ wireCount }) => wireCount))).toBe(
			sum(figures.wires.map(({ count }) => count)),
		)
		expect(sum(tape.map(({ tapeMm }) => tapeMm))).toBeCloseTo(figures.tapeMm, 9)
		const chainMinutes = Math.round(sum(chain.map(({ waitMinutes, workMinutes }) => waitMinutes + workMinutes)))
		expect(Math.max(chainMinutes, figures.handsOnMinutes)).toBe(figures.elapsedMinutes)
	})

	test('hang on a chain in which each step needs the one before it', () => {
		for (const [c, { stepId, waitMinutes }] of chain.entries()) {
			const needs = design.steps.find(({ id }) => id === stepId)?.needs ?? []
			const before = chain[c - 1]
			if (before) {
				expect(needs.find(({ after }) => after === before.stepId)?.wait?.usualMinutes ?? 0).toBe(waitMinutes)
			} else {
				expect(waitMinutes).toBe(0)
			}
		}
	})

	test('say so in lines of which none is twice the same', () => {
		for (const lines of Object.values(figureReasons(shares))) {
			expect(new Set(lines).size).toBe(lines.length)
		}
	})
})

test('a design without steps has no chain and takes no time', () => {
	const design = resolveDesign(makeDesign({ parts: [], steps: [] }), {})

	expect(longestChain(design)).toEqual([])
	expect(measureEffort(design)).toEqual({ handsOnMinutes: 0, elapsedMinutes: 0 })
})

test('whoever waits for nothing takes as long as the work: one pair of hands does one thing at a time', () => {
	const parts = [makePart('a', { piecesPerFlower: 4 }), makePart('b', { piecesPerFlower: 6 })]
	const steps = [
		makeStep('cut-a', 'a', [], { minutesPerPiece: 2, fixedMinutes: 0 }),
		makeStep('cut-b', 'b', [], { minutesPerPiece: 3, fixedMinutes: 0 }),
	]

	expect(measureEffort(resolveDesign(makeDesign({ parts, steps }), {}))).toEqual({
		handsOnMinutes: 26,
		elapsedMinutes: 26,
	})
})
