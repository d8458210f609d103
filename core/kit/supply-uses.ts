/** What each step of a design uses up beside paste and wire, by piece, for those who do it. */
import type { DesignInCourse } from '../plan/compile/compile-course'
import { MATERIAL_ALLERGENS } from '../design/allergens'
import { tapeOfFlower } from '../design/design-figures'
import type { Material, MaterialKind, Mixture } from '../design/design'
import { allergensOfMixture, type PasteMaker } from '../design/paste-makers'
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from '../design/resolve-design'
import { countOfStep, kindsOfStep } from '../design/step-work'
import { amountOfSeat, type AmountUnit } from './bill'
import type { PieceLine, StepPlacing } from './class-pieces'
import type { Ingredient } from './exchanges'
import { USUAL_G_PER_PIECE, type KitTerms } from './kit-terms'
import type { PasteItem } from './paste-bill'
import { yieldOf } from './recipes'

export interface SupplyItem {
	key: string
	kind: 'bought' | 'tape' | 'mixture' | 'material'
	name: string
	/** Of all its amounts. */
	unit: AmountUnit
	/** Of a material. */
	material?: MaterialKind
}

/** Who a use is counted for: a kit without changes, the kit of a seat, or what the instructor shows. */
export type Counted = 'usual' | 'demo' | number

/** So much of something, so often. */
export interface Use {
	item: SupplyItem
	ingredient: Ingredient
	/** Each time, in the item's unit. */
	each: number
	what: string
	/** The amount is what is usual for the kind, not the design's own. */
	isUsual: boolean
	/** How often: pieces, bundles, flowers, or once. */
	countOf: (who: Counted) => number
	maker: PieceLine['maker']
	/** Dried sets that are brought for each student. */
	swaps: number
	/** Paste that is let down in a mixture. */
	paste?: PasteItem
}

export interface UseTerms {
	/** By the plan. */
	placing: StepPlacing
	terms: KitTerms
	makers: readonly PasteMaker[]
	demoFlowers: number
}

/** What every step of the design takes, for those who do it. */
export function usesOf(
	{ design, flowersPerStudent }: DesignInCourse,
	lines: readonly PieceLine[],
	terms: UseTerms,
): Use[] {
	const { placing, demoFlowers, makers } = terms
	const known = { mixtures: design.mixtures ?? [], makers }
	const own = lines.filter(({ designId }) => designId === design.id)
	const flowersOf = (who: Counted) => (who === 'demo' ? demoFlowers : flowersPerStudent)
	const ofSteps = design.steps.flatMap((step): Use[] => {
		const place = placing.placeOf(design.id, step.id)
		if (place === 'dropped') return []
		const kinds = kindsOfStep(design, step)
		const worked = own.filter(({ part }) => kinds.includes(part))
		if (step.part !== undefined && worked.length === 0) return []
		const work = (who: Counted) => {
			const piecesOf = (kind: ResolvedPart) =>
				piecesFor(
					worked.find(({ part }) => part === kind),
					who,
				)
			const count = countOfStep(design, step, { flowers: flowersOf(who), piecesOf })
			return who === 'demo' && demoFlowers === 0 ? 0 : count
		}
		const once = (who: Counted) => (who === 'demo' && demoFlowers === 0 ? 0 : 1)
		const common = {
			maker: place === 'ahead' ? ('instructor' as const) : ('students' as const),
			swaps: placing.swapsOf(design.id, step.id),
			what: `${worked[0]?.part.partName ?? design.name}: ${step.label.toLowerCase()}`,
		}
		return [...materialsOf(step, known), ...mixturesOf(step, known)].map(({ isPerStudent, ...use }): Use => ({
			...common,
			...use,
			countOf: isPerStudent ? once : work,
		}))
	})
	return [...boughtUses(own), ...tapeUses(design, terms, flowersOf), ...ofSteps]
}

/** Pieces of a line for somebody. */
function piecesFor(line: PieceLine | undefined, who: Counted): number {
	if (!line) return 0
	return typeof who === 'number' ? amountOfSeat(line.shares, who) : line.shares[who]
}

/** Bought pieces, by the piece or by the length that is cut from a roll. */
function boughtUses(lines: readonly PieceLine[]): Use[] {
	return lines.flatMap((line): Use[] => {
		const { form, name, allergens = [] } = line.part
		if (form.type !== 'bought') return []
		const { item: what, lengthMm } = form
		const item: SupplyItem =
			lengthMm === undefined
				? { key: `bought:${what}`, kind: 'bought', name: what, unit: 'piece' }
				: { key: `tape:${what}`, kind: 'tape', name: what, unit: 'mm' }
		return [
			{
				item,
				ingredient: { name: what, kind: 'other', allergens },
				each: lengthMm ?? 1,
				what: name,
				isUsual: false,
				countOf: (who) => piecesFor(line, who),
				maker: line.maker,
				swaps: line.swapSets,
			},
		]
	})
}

/** Tape of layers, bundles and the stem; what a step would have tied that nobody does takes none. */
function tapeUses(design: ResolvedDesign, { placing, terms }: UseTerms, flowersOf: (who: Counted) => number): Use[] {
	const item: SupplyItem = { key: 'tape:floral tape', kind: 'tape', name: 'floral tape', unit: 'mm' }
	const ingredient: Ingredient = { name: 'floral tape', kind: 'other', allergens: [] }
	return tapeOfFlower(design, terms.tapeStretch).flatMap(({ name, tapeMm, stepIds }): Use[] => {
		const places = stepIds.map((id) => placing.placeOf(design.id, id))
		if (places.length > 0 && places.every((place) => place === 'dropped')) return []
		const maker = places.length > 0 && places.every((place) => place === 'ahead') ? 'instructor' : 'students'
		const swaps = Math.max(0, ...stepIds.map((id) => placing.swapsOf(design.id, id)))
		const what = `${design.name}: ${name}`
		return [{ item, ingredient, each: tapeMm, what, isUsual: false, countOf: flowersOf, maker, swaps }]
	})
}

/** Of the step's design, and what pastes in them are made of. */
interface KnownMixtures {
	mixtures: readonly Mixture[]
	makers: readonly PasteMaker[]
}

type BareUse = Pick<Use, 'item' | 'ingredient' | 'each' | 'isUsual' | 'paste'> & { isPerStudent: boolean }

/** Of one piece of the step; materials that lie at hand and are not measured out are not among them. */
function materialsOf({ materials = [], uses = [] }: ResolvedStep, known: KnownMixtures): BareUse[] {
	return materials.flatMap((material) => {
		const grams = amountOf(material)
		if (grams === undefined) return []
		const { name, kind, per } = material
		const isPerStudent = per === 'student'
		const mixed = known.mixtures.find((one) => one.kind === kind && kind !== 'other')
		// What is mixed by a recipe of this kind is that mixture, whatever the step calls it; named twice, it is meant once.
		if (mixed && uses.some(({ mixture }) => mixture === mixed.id)) return []
		if (mixed) return mixtureUses(mixed, grams, known).map((use) => ({ ...use, isPerStudent }))
		const item: SupplyItem = { key: `material:${name}`, kind: 'material', name, unit: 'mg', material: kind }
		const ingredient: Ingredient = { name, kind, allergens: MATERIAL_ALLERGENS[kind] ?? [] }
		return [{ item, ingredient, each: grams * 1000, isUsual: material.gPerPiece === undefined, isPerStudent }]
	})
}

/** Of one piece of the step, with everything that is stirred in. */
function mixturesOf({ uses = [] }: ResolvedStep, known: KnownMixtures): BareUse[] {
	return uses.flatMap(({ mixture: id, amountPerPiece, per }) => {
		const mixture = known.mixtures.find((one) => one.id === id)
		if (!mixture) return []
		return mixtureUses(mixture, amountPerPiece, known).map((use) => ({ ...use, isPerStudent: per === 'student' }))
	})
}

/** A mixture, the mixtures in it, and paste that is let down in any of them. A millilitre counts as a gram. */
function mixtureUses(
	mixture: Mixture,
	amount: number,
	known: KnownMixtures,
	depth = 0,
): Omit<BareUse, 'isPerStudent'>[] {
	const { name, unit, ingredients, kind } = mixture
	const item: SupplyItem = {
		key: `mixture:${name}`,
		kind: 'mixture',
		name,
		unit: unit === 'ml' ? 'µl' : 'mg',
		...(kind && { material: kind }),
	}
	const ingredient: Ingredient = {
		name,
		kind: 'mixture',
		allergens: allergensOfMixture(mixture, known.mixtures, known.makers),
	}
	const makes = yieldOf(mixture)
	const inner = ingredients.flatMap((one): Omit<BareUse, 'isPerStudent'>[] => {
		const each = makes > 0 ? (amount * one.amount) / makes : 0
		const other = known.mixtures.find(({ id }) => id === one.mixture)
		if (other && depth < DEEPEST) return mixtureUses(other, each, known, depth + 1)
		if (!one.paste) return []
		const colour = one.colour ?? UNDYED
		const paste: PasteItem = { key: `paste:${one.paste}:${colour}`, paste: one.paste, colour }
		return [{ item, ingredient, each: each * 1000, isUsual: false, paste }]
	})
	return [{ item, ingredient, each: amount * 1000, isUsual: false }, ...inner]
}

/** Mixtures in one another go no deeper; a circle is refused before. */
const DEEPEST = 5
/** Of paste in a mixture that says no colour. */
const UNDYED = 'white'

/** Grams a piece as the design says, or as is usual for the kind; undefined: not measured out. */
export function amountOf({ kind, gPerPiece }: Material): number | undefined {
	return gPerPiece ?? USUAL_G_PER_PIECE[kind]
}
