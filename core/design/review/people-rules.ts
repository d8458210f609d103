import { PASTE_ALLERGENS } from '../../materials/pastes'
import { allergensOf } from '../allergens'
import { hazardsOfStep } from '../cautions'
import { changePart } from '../edits/edit-parts'
import type { Design, Hazard } from '../design'
import type { Paste } from '../../vocabulary/paste'
import { stepsOfKind } from '../step-work'
import { resolveDesign, type ResolvedPart } from '../resolve-design'
import type { ReviewRule, ReviewTerms } from './finding'
import { stageNeverReached } from './step-rules'

/** Common practice, no source: whoever teaches children decides, and is told. */
const NOT_FOR_CHILDREN: readonly Hazard[] = ['wire', 'hot glue', 'alcohol', 'spray', 'steam']

/** Wires in a children's design. */
export const wiresForChildren: ReviewRule = ({ resolved, picks }) => {
	if (resolved.audience !== 'children') return []
	return resolved.parts
		.filter(({ wire }) => wire !== undefined)
		.map(({ id, of, name }) => ({
			id: `child-wire ${id}`,
			part: of,
			message: `${name} is wired, and this is for children.`,
			reason: 'Wires have points, and cut ends fly: for children choose unwired pieces.',
			fix: {
				label: 'Take the wire away',
				apply: (design: Design) => changePart(design, of, { wire: undefined }, { picks }),
			},
		}))
}

/** Heat, solvents and sharp work in a children's design. */
export const hazardsForChildren: ReviewRule = ({ resolved }) => {
	if (resolved.audience !== 'children') return []
	return resolved.steps.flatMap((step) => {
		const hazards = hazardsOfStep(step).filter((hazard) => NOT_FOR_CHILDREN.includes(hazard))
		return hazards.length === 0
			? []
			: [
					{
						id: `child-hazard ${step.id}`,
						step: step.id,
						message: `“${step.label}” brings ${hazards.join(' and ')}, and this is for children.`,
						reason: 'Let the instructor do it ahead, or choose a way without.',
					},
				]
	})
}

/** A single source of an allergen in a design that is otherwise free of it. */
export const allergenInFreeDesign: ReviewRule = (terms) => {
	const { resolved, picks } = terms
	return allergensOf(resolved).flatMap(({ allergen, sources }) => {
		const [source] = sources
		const paste = resolved.parts.find((part) => part.paste === source)?.paste
		const pastes = new Set(resolved.parts.flatMap((part) => part.paste ?? []))
		// A design all of one paste is what it is; one odd part can be helped.
		if (sources.length !== 1 || (paste && pastes.size === 1)) return []
		const bringers = resolved.parts.filter((part) => part.paste === paste)
		const useInstead = (other: Paste) => (design: Design) =>
			bringers.reduce((changed, { of }) => changePart(changed, of, { paste: other }, { picks }), design)
		const other = [...pastes].find(
			(one): one is Paste =>
				one !== paste &&
				!PASTE_ALLERGENS[one].includes(allergen) &&
				bringers.every((part) => canBeWorked(terms, part, one)) &&
				staysPossible(terms, useInstead(one)),
		)
		return [
			{
				id: `allergen ${allergen}`,
				...(bringers[0] && paste && { part: bringers[0].of }),
				message: `Only ${source} brings ${allergen}; all else is free of it.`,
				reason: 'Without it, the design suits every student. Labels have the last word.',
				...(paste &&
					other && {
						fix: {
							label: `Use ${other} there`,
							apply: useInstead(other),
						},
					}),
			},
		]
	})
}

/** Pastes that the stroke of a ball tool tears; common practice, no source. */
const TEARS: ReadonlySet<Paste> = new Set(['sugarpaste', 'sugarpaste with CMC', 'sugarpaste with icing sugar'])
const THINNING = /\b(thin|frill|ball tool|foam pad)/i

/** A piece that is thinned at its edge takes no paste that cannot be. */
function canBeWorked({ resolved }: ReviewTerms, part: ResolvedPart, paste: Paste): boolean {
	if (!TEARS.has(paste)) return true
	return !stepsOfKind(resolved, part).some(({ label, sentence, tools }) =>
		[label, sentence, ...tools].some((words) => THINNING.test(words)),
	)
}

/** A fix that makes a wait endless mends nothing. */
function staysPossible(terms: ReviewTerms, apply: (design: Design) => Design): boolean {
	const design = apply(terms.design)
	const after = { ...terms, design, resolved: resolveDesign(design, terms.picks) }
	return stageNeverReached(after).length <= stageNeverReached(terms).length
}
