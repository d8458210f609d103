/** What is used up beside paste and wire: bought pieces, tape, mixtures, dusts, starch, fat, glaze. */
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { Course } from '../course/course'
import { MATERIAL_ALLERGENS } from '../design/allergens'
import { layerTapeMm } from '../design/design-figures'
import type { Material, MaterialKind, Mixture } from '../design/design'
import type { ResolvedStep } from '../design/resolve-design'
import { amountOfSeat, Gathering, type AmountUnit, type Shares, type ShareName } from './bill'
import type { PieceLine, StepPlacing } from './class-pieces'
import { findExchange, type Exchange, type Ingredient } from './exchanges'
import { USUAL_G_PER_PIECE, type KitTerms } from './kit-terms'
import type { Seat } from './student'

export interface SupplyItem {
	key: string
	kind: 'bought' | 'tape' | 'mixture' | 'material'
	name: string
	/** Of all its amounts. */
	unit: AmountUnit
	/** Of a material. */
	material?: MaterialKind
}

/** What a usual kit needs it for. */
export interface SupplySource {
	/** The step that takes it, in words. */
	what: string
	/** Of pieces or flowers that take it. */
	count: number
	/** In the item's unit. */
	each: number
	/** The amount is the usual one of its kind, not the design's. */
	isUsual: boolean
}

export interface SupplyLine {
	item: SupplyItem
	shares: Shares
	sources: SupplySource[]
}

export interface SupplyBill {
	lines: SupplyLine[]
	exchanges: Exchange[]
	/** Recipes of the mixtures, by the name of their line. */
	recipes: Mixture[]
	/** Named by steps without an amount. */
	atHand: string[]
}

/** So much of something for each of so many pieces or flowers. */
interface Use {
	item: SupplyItem
	ingredient: Ingredient
	/** Of one piece, in the item's unit. */
	each: number
	what: string
	/** The amount is what is usual for the kind, not the design's own. */
	isUsual: boolean
	/** Whose pieces they are; flowers where absent. */
	line?: PieceLine
	flowersPerStudent: number
	maker: PieceLine['maker']
	/** Dried sets that are brought for each student. */
	swaps: number
}

interface SupplyTerms {
	seats: readonly Seat[]
	/** By the plan. */
	placing: StepPlacing
	terms: KitTerms
}

/** What is used up beside paste and wire, by seat and for what. */
export function billSupplies(
	course: Course,
	designs: readonly DesignInCourse[],
	lines: readonly PieceLine[],
	{ seats, placing, terms }: SupplyTerms,
): SupplyBill {
	const uses = designs.flatMap((item) => usesOf(item, lines, { placing, terms }))
	const gathering = new Gathering<SupplyItem>(seats.length)
	const sources = new Map<string, SupplySource[]>()
	const exchanges = new Map<string, Exchange>()
	const countOf = ({ line, flowersPerStudent }: Use, s: number) =>
		line ? amountOfSeat(line.shares, s) : flowersPerStudent
	for (const use of uses) {
		const usual = use.line?.shares.usual ?? use.flowersPerStudent
		if (use.maker === 'students') gathering.add(use.item, 'usual', toWhole(use.each * usual))
		seats.forEach((seat, s) => {
			const exchange = findExchange(seat, use.ingredient)
			if (exchange) exchanges.set(`${seat.number} ${exchange.what} ${exchange.reason}`, exchange)
			const item = exchange?.instead ? exchanged(use.item, exchange.instead) : use.item
			const amount = toWhole(use.each * countOf(use, s))
			gathering.add(item, use.maker === 'students' ? s : 'ahead', amount)
			gathering.add(item, 'swapOuts', amount * use.swaps)
		})
		const shown = use.line?.shares.demo ?? course.demoFlowers
		gathering.add(use.item, 'demo' satisfies ShareName, toWhole(use.each * shown))
		const source = { what: use.what, count: usual, each: use.each, isUsual: use.isUsual }
		sources.set(use.item.key, [...(sources.get(use.item.key) ?? []), source])
	}
	const used = new Set(uses.flatMap(({ item }) => (item.kind === 'mixture' ? [item.name] : [])))
	const recipes = designs.flatMap(({ design }) => design.mixtures ?? []).filter(({ name }) => used.has(name))
	return {
		lines: gathering
			.lines(({ kind }) => (kind === 'bought' ? 0 : terms.reserveShare))
			.map(({ item, shares }) => ({ item, shares, sources: sources.get(item.key) ?? [] })),
		exchanges: [...exchanges.values()],
		recipes: [...new Map(recipes.map((recipe) => [recipe.name, recipe])).values()],
		atHand: listAtHand(designs),
	}
}

/** An exchange is bought and weighed like what it stands for, but is not of its kind: it brings none of its allergens. */
function exchanged({ kind, unit }: SupplyItem, instead: string): SupplyItem {
	return { key: `${kind}:${instead}`, kind, name: instead, unit }
}

/** Amounts are whole in their small unit, rounded up. */
function toWhole(amount: number): number {
	return Math.ceil(amount - 1e-6)
}

/** What every step of the design takes, by piece, for those who do it. */
function usesOf(
	{ design, flowersPerStudent }: DesignInCourse,
	lines: readonly PieceLine[],
	{ placing, terms }: Pick<SupplyTerms, 'placing' | 'terms'>,
): Use[] {
	const own = lines.filter(({ designId }) => designId === design.id)
	const bought = own.flatMap((line): Use[] => {
		const { form, name } = line.part
		if (form.type !== 'bought') return []
		const item: SupplyItem = { key: `bought:${form.item}`, kind: 'bought', name: form.item, unit: 'piece' }
		const ingredient: Ingredient = { name: form.item, kind: 'other', allergens: line.part.allergens ?? [] }
		const common = { item, ingredient, each: 1, what: name, isUsual: false, line, flowersPerStudent }
		return [{ ...common, maker: line.maker, swaps: line.swapSets }]
	})
	const tape = design.layers.flatMap((layer): Use[] => {
		const each = layerTapeMm(layer, terms.tapeStretch)
		const name = design.parts.find(({ id }) => id === layer.part)?.name ?? layer.part
		const item: SupplyItem = { key: 'tape:floral tape', kind: 'tape', name: 'floral tape', unit: 'mm' }
		const ingredient: Ingredient = { name: 'floral tape', kind: 'other', allergens: [] }
		const common = { item, ingredient, each, what: `${design.name}: ${name}`, isUsual: false, flowersPerStudent }
		return each > 0 ? [{ ...common, maker: 'students', swaps: 0 }] : []
	})
	const ofSteps = design.steps.flatMap((step) => {
		const place = placing.placeOf(design.id, step.id)
		if (place === 'dropped') return []
		const line = own.find(({ part }) => part.id === step.part)
		if (step.part !== undefined && !line) return []
		const common = {
			...(line && { line }),
			flowersPerStudent,
			maker: place === 'ahead' ? ('instructor' as const) : ('students' as const),
			swaps: placing.swapsOf(design.id, step.id),
			what: `${line?.part.name ?? design.name}: ${step.label.toLowerCase()}`,
		}
		return [...materialsOf(step), ...mixturesOf(step, design.mixtures ?? [])].map((use): Use => ({ ...common, ...use }))
	})
	return [...bought, ...tape, ...ofSteps]
}

type BareUse = Pick<Use, 'item' | 'ingredient' | 'each' | 'isUsual'>

/** Of one piece of the step; materials that lie at hand and are not measured out are not among them. */
function materialsOf({ materials = [] }: ResolvedStep): BareUse[] {
	return materials.flatMap((material) => {
		const grams = amountOf(material)
		if (grams === undefined) return []
		const { name, kind } = material
		const item: SupplyItem = { key: `material:${name}`, kind: 'material', name, unit: 'mg', material: kind }
		const ingredient: Ingredient = { name, kind, allergens: MATERIAL_ALLERGENS[kind] ?? [] }
		return [{ item, ingredient, each: grams * 1000, isUsual: material.gPerPiece === undefined }]
	})
}

/** Of one piece of the step, with everything that is stirred in. */
function mixturesOf({ uses = [] }: ResolvedStep, mixtures: readonly Mixture[]): BareUse[] {
	return uses.flatMap(({ mixture: id, amountPerPiece }) => {
		const mixture = mixtures.find((one) => one.id === id)
		if (!mixture) return []
		const { name, unit, ingredients } = mixture
		const item: SupplyItem = { key: `mixture:${name}`, kind: 'mixture', name, unit: unit === 'ml' ? 'µl' : 'mg' }
		const allergens = ingredients.flatMap((one) => one.allergens ?? [])
		const ingredient: Ingredient = { name, kind: 'mixture', allergens }
		return [{ item, ingredient, each: amountPerPiece * 1000, isUsual: false }]
	})
}

/** Grams a piece as the design says, or as is usual for the kind; undefined: not measured out. */
function amountOf({ kind, gPerPiece }: Material): number | undefined {
	return gPerPiece ?? USUAL_G_PER_PIECE[kind]
}

/** Names of what lies on the bench for everybody, each once. */
function listAtHand(designs: readonly DesignInCourse[]): string[] {
	const materials = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.materials ?? []))
	return [...new Set(materials.filter((one) => amountOf(one) === undefined).map(({ name }) => name))]
}

/** One ingredient of a mixture for so much of it, in the recipe's proportion, in small units. */
export interface IngredientAmount {
	name: string
	unit: 'µl' | 'mg'
	/** Of the unit. */
	amount: number
}

/** A recipe scaled to an amount of the mixture, in its small unit, each ingredient rounded up. */
export function scaleRecipe({ unit, ingredients, yields }: Mixture, amount: number): IngredientAmount[] {
	const same = ingredients.filter((one) => one.unit === unit)
	const makes = yields ?? same.reduce((sum, one) => sum + one.amount, 0)
	if (!(makes > 0)) return []
	return ingredients.map((one) => ({
		name: one.name,
		unit: one.unit === 'ml' ? 'µl' : 'mg',
		amount: toWhole((amount * one.amount) / makes),
	}))
}
