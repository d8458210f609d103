/** What is used up beside paste and wire: bought pieces, tape, mixtures, dusts, starch, fat, glaze. */
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { Course } from '../course/course'
import type { Mixture } from '../design/design'
import type { PasteMaker } from '../design/paste-makers'
import { Gathering, type Shares, type ShareName } from './bill'
import type { PieceLine, StepPlacing } from './class-pieces'
import { exchangeInMixture, findExchange, type Exchange } from './exchanges'
import type { KitTerms } from './kit-terms'
import type { PasteItem } from './paste-bill'
import { toWhole } from './recipes'
import type { Seat } from './student'
import { amountOf, usesOf, type SupplyItem, type Use } from './supply-uses'

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
	/** Paste that mixtures are made with, in mg. */
	pastes: { item: PasteItem; shares: Shares }[]
}

interface SupplyTerms {
	seats: readonly Seat[]
	/** By the plan. */
	placing: StepPlacing
	terms: KitTerms
	makers: readonly PasteMaker[]
}

/** What is used up beside paste and wire, by seat and for what. */
export function billSupplies(
	course: Course,
	designs: readonly DesignInCourse[],
	lines: readonly PieceLine[],
	{ seats, placing, terms, makers }: SupplyTerms,
): SupplyBill {
	const uses = designs.flatMap((item) =>
		usesOf(item, lines, { placing, terms, makers, demoFlowers: course.demoFlowers }),
	)
	const gathering = new Gathering<SupplyItem>(seats.length)
	const pastes = new Gathering<PasteItem>(seats.length)
	const sources = new Map<string, SupplySource[]>()
	const exchanges = new Map<string, Exchange>()
	const exchangedRecipes: Mixture[] = []
	const mixtures = designs.flatMap(({ design }) => design.mixtures ?? [])
	for (const use of uses) {
		const add = (item: SupplyItem, to: number | 'usual' | ShareName, amount: number) => {
			if (use.paste) pastes.add(use.paste, to, amount)
			else gathering.add(item, to, amount)
		}
		const usual = use.countOf('usual')
		if (use.maker === 'students') add(use.item, 'usual', toWhole(use.each * usual))
		seats.forEach((seat, s) => {
			const { item, exchanges: made, recipe } = itemOfSeat(use, seat, { mixtures, makers })
			for (const one of made) exchanges.set(`${seat.number} ${one.what} ${one.reason}`, one)
			if (recipe) exchangedRecipes.push(recipe)
			// Paste that is exchanged in a mixture is bought for that mixture.
			const isPasteExchanged =
				use.paste && recipe && recipe.ingredients.every(({ paste }) => paste !== use.paste?.paste)
			const amount = isPasteExchanged ? 0 : toWhole(use.each * use.countOf(s))
			add(item, use.maker === 'students' ? s : 'ahead', amount)
			add(item, 'swapOuts', amount * use.swaps)
		})
		add(use.item, 'demo' satisfies ShareName, toWhole(use.each * use.countOf('demo')))
		const source = { what: use.what, count: usual, each: use.each, isUsual: use.isUsual }
		sources.set(use.item.key, [...(sources.get(use.item.key) ?? []), source])
	}
	const supplies = gathering.lines(({ kind }) => (kind === 'bought' ? 0 : terms.reserveShare))
	const used = new Set(supplies.flatMap(({ item }) => (item.kind === 'mixture' ? [item.name] : [])))
	const recipes = [...mixtures, ...exchangedRecipes].filter(({ name }) => used.has(name))
	return {
		lines: supplies.map(({ item, shares }) => ({ item, shares, sources: sources.get(item.key) ?? [] })),
		pastes: pastes.lines(() => 0),
		exchanges: [...exchanges.values()],
		recipes: [...new Map(recipes.map((recipe) => [recipe.name, recipe])).values()],
		atHand: listAtHand(designs),
	}
}

/** What a seat has of a use: the same, something instead of it, or the mixture with another ingredient. */
function itemOfSeat(
	{ item, ingredient }: Use,
	seat: Seat,
	{ mixtures, makers }: { mixtures: readonly Mixture[]; makers: readonly PasteMaker[] },
): { item: SupplyItem; exchanges: Exchange[]; recipe?: Mixture } {
	const recipe = item.kind === 'mixture' ? mixtures.find(({ name }) => name === item.name) : undefined
	const other = recipe && exchangeInMixture(seat, recipe, makers)
	if (other) return { item: { ...item, key: `mixture:${other.recipe.name}`, name: other.recipe.name }, ...other }
	const exchange = findExchange(seat, ingredient)
	if (!exchange) return { item, exchanges: [] }
	return { item: exchange.instead ? exchanged(item, exchange.instead) : item, exchanges: [exchange] }
}

/** An exchange is bought and weighed like what it stands for, but is not of its kind: it brings none of its allergens. */
function exchanged({ kind, unit }: SupplyItem, instead: string): SupplyItem {
	return { key: `${kind}:${instead}`, kind, name: instead, unit }
}

/** Names of what lies on the bench for everybody, each once. */
function listAtHand(designs: readonly DesignInCourse[]): string[] {
	const materials = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.materials ?? []))
	return [...new Set(materials.filter((one) => amountOf(one) === undefined).map(({ name }) => name))]
}
