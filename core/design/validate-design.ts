/**
 * What makes a well-typed design meaningless: names that lead nowhere, circles of steps, waits out of order.
 * Not for: the types and ranges of fields, which the JSON schema at the border checks; nor taste.
 */
import { parsePath, PathError } from '../outlines/parse-path'
import type { Condition, Design, Need, Part, Step } from './design'
import { piecesTaken } from './piece-counts'
import { holdsUnder } from './variants'
import type { PartForm } from '../vocabulary/piece-form'

/** A problem and the place of the document where it lies, as a JSON pointer. */
export interface DesignProblem {
	/** Of the field, as a JSON pointer. */
	path: string
	/** For a person, in a sentence. */
	message: string
}

/** All problems of a design, none if it can be resolved under every choice. */
export function validateDesign(design: Design): DesignProblem[] {
	return [
		...duplicateProblems(design),
		...referenceProblems(design),
		...conditionProblems(design),
		...kindProblems(design),
		...sourceProblems(design),
		...mixtureCircles(design),
		...design.steps.flatMap((step, s) =>
			step.needs.flatMap((need, n) => needProblems(design, step, need, `/steps/${s}/needs/${n}`)),
		),
		...circleProblems(design),
		...placeProblems(design),
		...outlineProblems(design),
	]
}

/** An id names one thing of its kind. */
function duplicateProblems(design: Design): DesignProblem[] {
	const { choices, techniques, mixtures = [], extras = [], bundles = [], parts, steps } = design
	const layers = design.layers.filter(({ id }) => id !== undefined)
	return Object.entries({ choices, techniques, mixtures, extras, bundles, parts, steps, layers }).flatMap(
		([key, items]) => {
			return items.flatMap(({ id }, index) => {
				const isFirst = items.findIndex((other) => other.id === id) === index
				return isFirst ? [] : [{ path: `/${key}/${index}/id`, message: `the id "${id}" is used twice` }]
			})
		},
	)
}

/** Whatever is named by an id is there. */
function referenceProblems(design: Design): DesignProblem[] {
	const { parts, steps, layers, techniques, mixtures = [], extras = [], bundles = [] } = design
	const partIds = new Set(parts.map(({ id }) => id))
	const unknown = (path: string, kind: string, id: string | undefined, known: ReadonlySet<string>) => {
		return id === undefined || known.has(id) ? [] : [{ path, message: `there is no ${kind} "${id}"` }]
	}
	const techniqueIds = new Set(techniques.map(({ id }) => id))
	const extraIds = new Set(extras.map(({ id }) => id))
	const mixtureIds = new Set(mixtures.map(({ id }) => id))
	const bundleIds = new Set(bundles.map(({ id }) => id))
	const stepIds = new Set(steps.map(({ id }) => id))
	const layerIds = new Set(layers.flatMap(({ id }) => id ?? []))
	return [
		...parts.flatMap(({ form, on, wire, variants = [] }, p) => [
			...unknown(`/parts/${p}/form/fromPart`, 'part', sourceOf(form), partIds),
			...variants.flatMap(({ set }, v) =>
				unknown(`/parts/${p}/variants/${v}/set/form/fromPart`, 'part', set.form && sourceOf(set.form), partIds),
			),
			...unknown(`/parts/${p}/on`, 'part', on, partIds),
			...unknown(`/parts/${p}/wire/fromOffcutsOf`, 'part', wire?.fromOffcutsOf, partIds),
		]),
		...bundles.flatMap(({ of }, b) =>
			of.flatMap(({ part }, o) => unknown(`/bundles/${b}/of/${o}/part`, 'part', part, partIds)),
		),
		...mixtures.flatMap(({ ingredients }, m) =>
			ingredients.flatMap(({ mixture }, i) =>
				unknown(`/mixtures/${m}/ingredients/${i}/mixture`, 'mixture', mixture, mixtureIds),
			),
		),
		...steps.flatMap(({ part, technique, extra, uses = [], toolShares = {}, lays = [], bundle, follows }, s) => [
			...lays.flatMap((id, l) => unknown(`/steps/${s}/lays/${l}`, 'layer', id, layerIds)),
			...unknown(`/steps/${s}/bundle`, 'bundle', bundle, bundleIds),
			...unknown(`/steps/${s}/follows`, 'step', follows, stepIds),
			...uses.flatMap(({ mixture }, u) => unknown(`/steps/${s}/uses/${u}/mixture`, 'mixture', mixture, mixtureIds)),
			...Object.keys(toolShares).flatMap((tool) =>
				unknown(`/steps/${s}/toolShares`, 'tool of the step', tool, new Set(allTools(steps[s]))),
			),
			...unknown(`/steps/${s}/part`, 'part', part, partIds),
			...unknown(`/steps/${s}/technique`, 'technique', technique, techniqueIds),
			...unknown(`/steps/${s}/extra`, 'extra', extra, extraIds),
		]),
		...layers.flatMap(({ part, bundle }, l) => [
			...unknown(`/layers/${l}/part`, 'part', part, partIds),
			...unknown(`/layers/${l}/bundle`, 'bundle', bundle, bundleIds),
		]),
	]
}

/** Of the step itself and of its variants. */
function allTools(step: Step | undefined): string[] {
	return [...(step?.tools ?? []), ...(step?.variants ?? []).flatMap(({ set }) => set.tools ?? [])]
}

/** Conditions name choices and options that the design has. */
function conditionProblems({ choices, parts, steps, layers, bundles = [] }: Design): DesignProblem[] {
	const check = (path: string, when: Condition | undefined): DesignProblem[] => {
		return Object.entries(when ?? {}).flatMap(([choiceId, optionIds]) => {
			const choice = choices.find(({ id }) => id === choiceId)
			if (!choice) return [{ path, message: `there is no choice "${choiceId}"` }]
			const missing = optionIds.filter((id) => !choice.options.some((option) => option.id === id))
			return missing.map((id) => ({ path, message: `the choice "${choiceId}" has no option "${id}"` }))
		})
	}
	const ofVarying = (key: string, items: readonly { when?: Condition; variants?: { when: Condition }[] }[]) => {
		return items.flatMap(({ when, variants = [] }, i) => [
			...check(`/${key}/${i}/when`, when),
			...variants.flatMap((variant, v) => check(`/${key}/${i}/variants/${v}/when`, variant.when)),
		])
	}
	return [
		...ofVarying('parts', parts),
		...ofVarying('steps', steps),
		...ofVarying('layers', layers),
		...ofVarying('bundles', bundles),
		...parts.flatMap(({ sizes = [] }, p) => sizes.flatMap(({ when }, z) => check(`/parts/${p}/sizes/${z}/when`, when))),
		...steps.flatMap(({ needs }, s) => needs.flatMap(({ when }, n) => check(`/steps/${s}/needs/${n}/when`, when))),
	]
}

/** Sizes make what the part makes, and are named as they are; colours of a marble make a whole. */
function kindProblems({ parts, steps, layers }: Design): DesignProblem[] {
	const sizesOf = (id: string | undefined) => {
		const part = parts.find((one) => one.id === id)
		return new Set([part, ...(part?.variants ?? []).map(({ set }) => set)].flatMap((one) => sizeNames(one?.sizes)))
	}
	const unknown = (path: string, names: readonly string[], part: string | undefined) => {
		const known = sizesOf(part)
		return names.flatMap((size, n) => {
			return known.has(size) ? [] : [{ path: path.replace('*', String(n)), message: `there is no size "${size}"` }]
		})
	}
	return [
		...parts.flatMap((part, p) => [
			...termProblems(part, `/parts/${p}`),
			...(part.variants ?? []).flatMap(({ set }, v) => termProblems(set, `/parts/${p}/variants/${v}/set`)),
		]),
		...steps.flatMap(({ part, sizes = [], minutesBySize = {} }, s) => [
			...unknown(`/steps/${s}/sizes/*`, sizes, part),
			...unknown(`/steps/${s}/minutesBySize`, Object.keys(minutesBySize), part),
		]),
		...layers.flatMap(({ part, sizes = [] }, l) => unknown(`/layers/${l}/sizes/*`, sizes, part)),
	]
}

type KindTerms = Partial<Pick<Part, 'sizes' | 'marbled' | 'spares' | 'piecesPerFlower'>>

function termProblems({ sizes = [], marbled, spares, piecesPerFlower }: KindTerms, path: string): DesignProblem[] {
	const problems: DesignProblem[] = []
	const names = sizeNames(sizes)
	sizes.forEach(({ name }, z) => {
		if (names.indexOf(name) < z)
			problems.push({ path: `${path}/sizes/${z}/name`, message: `the size "${name}" is there twice` })
	})
	const made = sizes.reduce((sum, { pieces }) => sum + pieces, 0)
	const isCertain = sizes.length > 0 && sizes.every(({ when }) => when === undefined)
	if (isCertain && piecesPerFlower !== undefined && made !== piecesPerFlower)
		problems.push({
			path: `${path}/piecesPerFlower`,
			message: `must be the ${made} of its sizes, got ${piecesPerFlower}`,
		})
	const whole = marbled?.reduce((sum, { share }) => sum + share, 0) ?? 1
	if (Math.abs(whole - 1) > SHARE_ROUNDING)
		problems.push({ path: `${path}/marbled`, message: `the shares must make 1, got ${Number(whole.toFixed(3))}` })
	if (spares?.type === 'in all' && piecesPerFlower !== undefined && spares.pieces < piecesPerFlower)
		problems.push({
			path: `${path}/spares/pieces`,
			message: `must be at least the ${piecesPerFlower} of a flower, got ${spares.pieces}`,
		})
	return problems
}

/** Three thirds written with two digits make a whole. */
const SHARE_ROUNDING = 0.011

function sizeNames(sizes: Part['sizes'] = []): string[] {
	return sizes.map(({ name }) => name)
}

function sourceOf(form: PartForm): string | undefined {
	return form.type === 'derived' ? form.fromPart : undefined
}

/** Nothing is made of itself. */
function sourceProblems({ parts }: Design): DesignProblem[] {
	return parts.flatMap(({ id, form }, p): DesignProblem[] => {
		for (let source = sourceOf(form), seen = 0; source !== undefined && seen <= parts.length; seen++) {
			if (source === id) return [{ path: `/parts/${p}/form/fromPart`, message: 'a part cannot be made from itself' }]
			const next = parts.find((one) => one.id === source)
			source = next && sourceOf(next.form)
		}
		return []
	})
}

/**
 * Counts that cannot be: layers of more pieces than there are, and more made from a part than it yields. A design in the
 * making may have them: there the review tells.
 */
export function countProblems(design: Design): DesignProblem[] {
	return [...yieldProblems(design), ...layerProblems(design)]
}

/** What is made from a part, under the usual options, is no more than it yields. */
function yieldProblems(design: Design): DesignProblem[] {
	const { parts } = design
	return parts.flatMap(({ form, piecesPerFlower }, p): DesignProblem[] => {
		const source = parts.find(({ id }) => id === sourceOf(form))
		const isFirst = source && parts.findIndex((other) => sourceOf(other.form) === source.id) === p
		if (!isFirst) return []
		const taken = piecesTaken(parts.filter((other) => sourceOf(other.form) === source.id && isUsual(design, other)))
		if (taken <= source.piecesPerFlower) return []
		const message = `${piecesPerFlower} pieces take ${taken} of "${source.name}", which has ${source.piecesPerFlower}`
		return [{ path: `/parts/${p}/piecesPerFlower`, message }]
	})
}

/** There under the first option of every choice. */
function isUsual({ choices }: Design, { when }: { when?: Condition }): boolean {
	return holdsUnder(Object.fromEntries(choices.map(({ id, options }) => [id, options[0]?.id ?? ''])), when)
}

/** No layer holds more pieces than there are, in any one layer and in all that are there in any case. */
function layerProblems({ parts, layers }: Design): DesignProblem[] {
	const placed = new Map<string, number>()
	return layers.flatMap(({ part: id, pieceCount, when, bundle }, l) => {
		const part = parts.find((one) => one.id === id)
		if (!part || bundle !== undefined) return []
		const most = Math.max(part.piecesPerFlower, ...(part.variants ?? []).map(({ set }) => set.piecesPerFlower ?? 0))
		const before = when === undefined ? (placed.get(id) ?? 0) : 0
		if (when === undefined) placed.set(id, before + pieceCount)
		if (before + pieceCount <= most) return []
		const left = Math.max(0, most - before)
		return [
			{ path: `/layers/${l}/pieceCount`, message: `there are only ${left} of "${part.name}" left, got ${pieceCount}` },
		]
	})
}

/** Mixtures that hold one another. */
function mixtureCircles({ mixtures = [] }: Design): DesignProblem[] {
	return mixtures.flatMap(({ id, ingredients }, m) =>
		ingredients.flatMap(({ mixture, paste, unit }, i): DesignProblem[] => {
			const path = `/mixtures/${m}/ingredients/${i}`
			if (paste && unit !== 'g') return [{ path: `${path}/unit`, message: 'paste is weighed in g' }]
			const inside = new Set([mixture])
			for (const one of inside)
				for (const inner of mixtures.find((other) => other.id === one)?.ingredients ?? [])
					if (inner.mixture !== undefined) inside.add(inner.mixture)
			return inside.has(id) ? [{ path: `${path}/mixture`, message: 'a mixture cannot hold itself' }] : []
		}),
	)
}

/**
 * What a step waits for can be waited for: it is there, piece by piece only within one part, and its limits
 * leave room for the wait itself.
 */
function needProblems({ steps }: Design, step: Step, need: Need, path: string): DesignProblem[] {
	const before = steps.find(({ id }) => id === need.after)
	if (!before) return [{ path: `${path}/after`, message: `there is no step "${need.after}"` }]
	const problems: DesignProblem[] = []
	if (need.isPieceByPiece && (step.part === undefined || before.part !== step.part)) {
		problems.push({ path, message: 'piece by piece needs two steps of the same part' })
	}
	if (before === step) problems.push({ path: `${path}/after`, message: 'a step cannot wait for itself' })
	const { wait: { usualMinutes = 0 } = {} } = need
	for (const limit of ['withinMinutes', 'withinCoveredMinutes'] as const) {
		const minutes = need[limit] ?? Infinity
		if (minutes < usualMinutes)
			problems.push({
				path: `${path}/${limit}`,
				message: `${limit} must be >= the usual wait of ${usualMinutes}, got ${minutes}`,
			})
	}
	return problems
}

/** What must be practised in class can be done nowhere else. */
function placeProblems({ steps }: Design): DesignProblem[] {
	const problem = (path: string) => ({
		path,
		message: 'what must be done in class cannot be done elsewhere: leave class alone, or let it be worth teaching',
	})
	return steps.flatMap(({ teaching, places, variants = [] }, s) => [
		...(teaching === 'must' && places.some((place) => place !== 'class') ? [problem(`/steps/${s}/places`)] : []),
		...variants.flatMap(({ set }, v) =>
			set.teaching === 'must' && (set.places ?? places).some((place) => place !== 'class')
				? [problem(`/steps/${s}/variants/${v}/set/places`)]
				: [],
		),
	])
}

/** Steps that wait for one another in a circle. */
export function circleProblems({ steps }: Design): DesignProblem[] {
	const left = new Map(steps.map((step) => [step.id, step]))
	for (let before = -1; before !== left.size;) {
		before = left.size
		for (const [id, { needs }] of left) if (!needs.some(({ after }) => left.has(after))) left.delete(id)
	}
	if (left.size === 0) return []
	return [{ path: '/steps', message: `the steps run in a circle through ${[...left.keys()].join(', ')}` }]
}

/** Outlines of the design's own, of parts and of what options make of them. */
function outlineProblems({ parts }: Design): DesignProblem[] {
	return parts.flatMap(({ form, variants = [] }, p) => [
		...pathProblems(form, `/parts/${p}/form/path`),
		...variants.flatMap(({ set }, v) =>
			set.form ? pathProblems(set.form, `/parts/${p}/variants/${v}/set/form/path`) : [],
		),
	])
}

/** An outline of one's own can be cut: one closed line that does not cross itself. */
function pathProblems(form: PartForm, path: string): DesignProblem[] {
	if (form.type !== 'cut' || form.outline !== 'own') return []
	try {
		parsePath(form.path ?? '')
		return []
	} catch (error) {
		if (error instanceof PathError) return [{ path, message: error.message }]
		throw error
	}
}
