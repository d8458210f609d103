/**
 * What makes a well-typed design meaningless: names that lead nowhere, circles of steps, waits out of order.
 * Not for: the types and ranges of fields, which the JSON schema at the border checks; nor taste.
 */
import { parsePath, PathError } from '../outlines/parse-path'
import type { Condition, Design, Ingredient, Need, Step } from './design'
import { kindProblems } from './kind-problems'
import { listWires } from './wires-of-design'
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
		...mixtureProblems(design),
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
		...listWires(design).flatMap(({ path, wire }) => [
			...unknown(`${path}/fromOffcutsOf`, 'part', wire.fromOffcutsOf, partIds),
			...unknown(`${path}/trimmedIn`, 'step', wire.trimmedIn, stepIds),
		]),
		...parts.flatMap(({ form, on, variants = [] }, p) => [
			...unknown(`/parts/${p}/form/fromPart`, 'part', sourceOf(form), partIds),
			...variants.flatMap(({ set }, v) =>
				unknown(`/parts/${p}/variants/${v}/set/form/fromPart`, 'part', set.form && sourceOf(set.form), partIds),
			),
			...unknown(`/parts/${p}/on`, 'part', on, partIds),
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

/** Id of the part that pieces are made from. */
export function sourceOf(form: PartForm): string | undefined {
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

/** Mixtures that hold one another, by what they are or by the pastes that they make; pastes that two of them make. */
function mixtureProblems({ mixtures = [] }: Design): DesignProblem[] {
	/** The mixture that an ingredient is, or that makes its paste. */
	const madeBy = ({ mixture, paste }: Ingredient) =>
		mixtures.find((one) => one.id === mixture || (paste !== undefined && one.makes === paste))
	return mixtures.flatMap((outer, m): DesignProblem[] => {
		const { makes, unit } = outer
		const path = `/mixtures/${m}`
		const first = makes && mixtures.find((one) => one.makes === makes)
		return [
			...(makes && unit !== 'g' ? [{ path: `${path}/unit`, message: 'paste is weighed in g' }] : []),
			...(first && first !== outer
				? [{ path: `${path}/makes`, message: `"${first.name}" already makes ${makes}` }]
				: []),
			...outer.ingredients.flatMap((ingredient, i): DesignProblem[] => {
				const at = `${path}/ingredients/${i}`
				if (ingredient.paste && ingredient.unit !== 'g')
					return [{ path: `${at}/unit`, message: 'paste is weighed in g' }]
				const inside = new Set([madeBy(ingredient)])
				for (const one of inside) for (const inner of one?.ingredients ?? []) inside.add(madeBy(inner))
				const field = ingredient.mixture === undefined ? 'paste' : 'mixture'
				return inside.has(outer) ? [{ path: `${at}/${field}`, message: 'a mixture cannot hold itself' }] : []
			}),
		]
	})
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
