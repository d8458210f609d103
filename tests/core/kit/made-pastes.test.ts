import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Mixture } from '../../../core/design/design'
import { allergensOf } from '../../../core/design/allergens'
import { resolveDesign } from '../../../core/design/resolve-design'
import { validateDesign } from '../../../core/design/validate-design'
import { allergensOfKit } from '../../../core/kit/kit-allergens'
import { listMakes } from '../../../core/kit/make-list'
import { takeApart } from '../../../core/kit/take-apart'
import { listNeeds } from '../../../core/kit/shopping-list'
import { makeDesign, makePart, makeStep } from '../../support/make-design'
import { packDesign } from '../../support/pack-design'
import { makeStudent } from '../../support/demo-kit'

// Common practice, no source: 1 to 2 % of CMC powder stiffens sugarpaste.
const STIFFENED: Mixture = {
	id: 'stiff',
	name: 'Stiffened sugarpaste',
	unit: 'g',
	makes: 'sugarpaste with CMC',
	ingredients: [
		{ name: 'sugarpaste', amount: 98, unit: 'g', paste: 'sugarpaste' },
		{ name: 'CMC powder', amount: 2, unit: 'g' },
	],
}
/** Half gum paste, half sugarpaste. */
const HALVES: Mixture = {
	id: 'half',
	name: 'Modelling paste',
	unit: 'g',
	makes: 'modelling paste',
	ingredients: [
		{ name: 'gum paste', amount: 1, unit: 'g', paste: 'gum paste' },
		{ name: 'sugarpaste', amount: 1, unit: 'g', paste: 'sugarpaste' },
	],
}
const WATER_GLUE: Mixture = {
	id: 'glue',
	name: 'Paste glue',
	unit: 'ml',
	yields: 20,
	ingredients: [
		{ name: 'gum paste', amount: 5, unit: 'g', paste: 'gum paste' },
		{ name: 'warm water', amount: 15, unit: 'ml' },
	],
}
const ball = { type: 'formed', body: 'ball', diameterMm: 20 } as const
const design = makeDesign({
	mixtures: [STIFFENED],
	parts: [
		makePart('balls', { form: ball, paste: 'sugarpaste with CMC', colour: 'ivory' }),
		makePart('eggs', { form: ball, paste: 'sugarpaste', colour: 'white' }),
	],
	steps: [makeStep('roll', 'balls'), makeStep('shape', 'eggs')],
})

describe('a paste made of others', () => {
	test('is bought as what it is made of, and never ready beside', () => {
		const { kit } = packDesign(design)
		const needs = listNeeds(kit)
		const handedOut = (paste: string) =>
			kit.paste.filter(({ item }) => item.paste === paste).reduce((sum, { handOut }) => sum + handOut.total, 0)
		const stiff = handedOut('sugarpaste with CMC')

		expect(stiff).toBeGreaterThan(0)
		expect(needs.map(({ key }) => key)).not.toContain('paste:sugarpaste with cmc')
		expect(needs.find(({ key }) => key === 'paste:sugarpaste')?.amount).toBe(
			handedOut('sugarpaste') + Math.ceil(stiff * 0.98),
		)
		expect(needs.find(({ key }) => key === 'ingredient:cmc powder')?.amount).toBe(Math.ceil(stiff * 0.02))
		expect(listMakes(kit)).toEqual([
			expect.objectContaining({
				name: 'sugarpaste with CMC',
				amount: stiff,
				isPaste: true,
				ingredients: [
					{ name: 'sugarpaste', unit: 'mg', amount: Math.ceil(stiff * 0.98), isMade: true },
					{ name: 'CMC powder', unit: 'mg', amount: Math.ceil(stiff * 0.02) },
				],
			}),
		])
	})

	test('is bought ready where the studio says so, and nothing for it', () => {
		const { kit } = packDesign(design, { kitTerms: { boughtReady: ['sugarpaste with CMC'] } })
		const keys = listNeeds(kit).map(({ key }) => key)

		expect(keys).toContain('paste:sugarpaste with cmc')
		expect(keys).not.toContain('ingredient:cmc powder')
		expect(listMakes(kit)).toEqual([])
	})

	test('whoever cannot have what it is kneaded of gets another', () => {
		const halves = {
			...design,
			mixtures: [HALVES],
			parts: [makePart('balls', { form: ball, paste: 'modelling paste', colour: 'ivory' })],
			steps: [makeStep('roll', 'balls')],
		}
		const { kit } = packDesign(halves, { roster: [makeStudent({ avoids: ['egg'] })] })
		const bought = packDesign(halves, {
			roster: [makeStudent({ avoids: ['egg'] })],
			kitTerms: { boughtReady: ['modelling paste'] },
		})

		expect(allergensOf(resolveDesign(halves, {}))).toEqual([{ allergen: 'egg', sources: ['modelling paste'] }])
		expect(kit.exchanges).toMatchObject([{ what: 'modelling paste', instead: 'modelling paste without egg' }])
		expect(allergensOfKit(kit, 1)).toEqual([])
		expect(allergensOfKit(kit, 2)).toEqual([{ allergen: 'egg', sources: ['modelling paste'] }])
		expect(bought.kit.exchanges).toEqual([])
	})

	test('paste let down in a glue brings its allergens, and is exchanged in it', () => {
		const glued = {
			...design,
			mixtures: [WATER_GLUE],
			parts: [makePart('eggs', { form: ball, paste: 'sugarpaste', colour: 'white' })],
			steps: [makeStep('glue', 'eggs', [], { uses: [{ mixture: 'glue', amountPerPiece: 1 }] })],
		}
		const { kit } = packDesign(glued, { roster: [makeStudent({ avoids: ['egg'] })] })
		const gumPaste = kit.paste.find(({ item }) => item.paste === 'gum paste')

		expect(allergensOf(resolveDesign(glued, {}))).toEqual([{ allergen: 'egg', sources: ['paste glue'] }])
		expect(kit.exchanges).toMatchObject([{ what: 'gum paste in Paste glue', instead: 'gum paste without egg' }])
		expect(gumPaste?.shares.kits.map((mg) => mg > 0)).toEqual([false, true, true, true])
		expect(allergensOfKit(kit, 1)).toEqual([])
		expect(listNeeds(kit).map(({ key }) => key)).toContain('ingredient:gum paste without egg')
	})

	test('bought ready it has what such a paste is known for, whatever the recipe says, in a glue too', () => {
		const withoutEgg: Mixture = {
			id: 'plain',
			name: 'Gum paste without egg white',
			unit: 'g',
			makes: 'gum paste',
			ingredients: [{ name: 'sugarpaste', amount: 1, unit: 'g', paste: 'sugarpaste' }],
		}
		const glued = {
			...design,
			mixtures: [WATER_GLUE, withoutEgg],
			parts: [makePart('eggs', { form: ball, paste: 'sugarpaste', colour: 'white' })],
			steps: [makeStep('glue', 'eggs', [], { uses: [{ mixture: 'glue', amountPerPiece: 1 }] })],
		}
		const roster = [makeStudent({ avoids: ['egg'] })]
		const made = packDesign(glued, { roster }).kit
		const ready = packDesign(glued, { roster, kitTerms: { boughtReady: ['gum paste'] } }).kit

		expect([made.exchanges, allergensOfKit(made, 2)]).toEqual([[], []])
		expect(ready.exchanges).toMatchObject([{ what: 'gum paste in Paste glue', instead: 'gum paste without egg' }])
		expect(allergensOfKit(ready, 2)).toEqual([{ allergen: 'egg', sources: ['gum paste', 'Paste glue'] }])
	})

	test('is refused where it holds itself, twice over, or in millilitres', () => {
		const problemsOf = (mixtures: Mixture[]) => validateDesign({ ...design, mixtures }).map(({ path }) => path)
		const inner: Mixture = {
			...HALVES,
			makes: 'sugarpaste',
			ingredients: [{ name: 'stiff', amount: 1, unit: 'g', paste: 'sugarpaste with CMC' }],
		}

		expect(problemsOf([STIFFENED])).toEqual([])
		expect(problemsOf([STIFFENED, { ...STIFFENED, id: 'again' }])).toEqual(['/mixtures/1/makes'])
		expect(problemsOf([{ ...STIFFENED, unit: 'ml' }])).toEqual(['/mixtures/0/unit'])
		expect(problemsOf([STIFFENED, inner])).toEqual([
			'/mixtures/0/ingredients/0/paste',
			'/mixtures/1/ingredients/0/paste',
		])
	})

	test('what is bought weighs what is made, however deep', () => {
		const powder = {
			paste: 'sugarpaste' as const,
			recipe: { ...STIFFENED, makes: 'sugarpaste' as const },
			mixtures: [],
		}
		const makers = [{ paste: 'sugarpaste with CMC' as const, recipe: STIFFENED, mixtures: [STIFFENED] }]

		fc.assert(
			fc.property(fc.integer({ min: 1, max: 5_000_000 }), (mg) => {
				const { bought, made } = takeApart('sugarpaste with CMC', mg, makers)
				const weight = bought.reduce((sum, { amount }) => sum + amount, 0)

				expect(weight).toBeGreaterThanOrEqual(mg)
				expect(weight - mg).toBeLessThan(bought.length)
				expect(made).toHaveLength(1)
			}),
		)
		// A circle between the recipes of two designs ends, and the paste in it is bought.
		expect(takeApart('sugarpaste', 1000, [powder]).bought).toContainEqual(
			expect.objectContaining({ kind: 'paste', name: 'sugarpaste' }),
		)
	})
})
