/**
 * Cautions of a design, derived from its materials, tools, wires and steps. All of them are usual cautions (common
 * practice, no source) and defer to product labels, local rules and licensed practice.
 */
import type { Hazard, MaterialKind } from './design'
import type { ResolvedDesign, ResolvedStep } from './resolve-design'

export interface Caution {
	hazard: Hazard
	title: string
	text: string
}

/** What is said where the hazard is. It defers to labels, local rules and licensed practice. */
export const CAUTION_OF: Record<Hazard, Omit<Caution, 'hazard'>> = {
	'not food': {
		title: 'Not all of it is food',
		text: 'Wires, stamens, polystyrene, thread and craft glaze are not food. Say so in writing to whoever gets the piece, and take all of it off before cutting. A wire goes into a posy pick, never into cake.',
	},
	wire: {
		title: 'Cut ends fly',
		text: 'Point the wire down, hold both ends, wear eye protection, and have nobody in front.',
	},
	sharp: {
		title: 'Sharp edges',
		text: 'Cut away from the hand; an adult works the knife and the cutter with children.',
	},
	dust: {
		title: 'Fine dust',
		text: 'Tap, do not blow, and do not breathe it in; wear a mask for long work. Only what its label calls edible, with a list of ingredients, is food: "non-toxic" is not "edible".',
	},
	alcohol: {
		title: 'Strong alcohol',
		text: 'Air the room, no flame near, keep it from children; offer a way without alcohol.',
	},
	spray: { title: 'Spray and solvent', text: 'Spray in moving air, no flame near, and keep it from children.' },
	steam: { title: 'Steam scalds', text: 'Hold the piece with tongs, and keep hands and face away.' },
	'hot glue': { title: 'Hot glue burns', text: 'Only for what is not food; not with children.' },
	microwave: {
		title: 'Hot inside',
		text: 'Microwaved paste is hottest in the middle: knead it only once it has stood.',
	},
	'small parts': { title: 'Small parts', text: 'Keep small pieces and beads from young children.' },
	strain: {
		title: 'Tired hands',
		text: 'Pinching and gripping again and again strains: take breaks, and rest a heavy bundle in a rack.',
	},
}

/** Materials that bring a hazard by themselves, whatever the step does with them. */
const HAZARDS_OF_MATERIALS: Partial<Record<MaterialKind, readonly Hazard[]>> = {
	dust: ['dust'],
	'strong alcohol': ['alcohol'],
	glaze: ['not food'],
	spray: ['spray'],
	'hot glue': ['hot glue', 'not food'],
	steam: ['steam'],
}

/** Words in the name of a tool that tell its hazard. */
const HAZARDS_OF_TOOLS: [word: RegExp, hazard: Hazard][] = [
	[/knife|scalpel|scissors|blade/i, 'sharp'],
	[/pliers|wire cutter/i, 'wire'],
	[/steamer|kettle/i, 'steam'],
	[/glue gun/i, 'hot glue'],
	[/microwave/i, 'microwave'],
]

/** Pieces a flower of one step from which hands tire. */
const TIRING_PIECES = 40

/** Hazards of one step by itself. */
export function hazardsOfStep(step: ResolvedStep): Hazard[] {
	const ofMaterials = (step.materials ?? []).flatMap(({ kind }) => HAZARDS_OF_MATERIALS[kind] ?? [])
	const ofTools = HAZARDS_OF_TOOLS.filter(([word]) => step.tools.some((tool) => word.test(tool))).map(
		([, hazard]) => hazard,
	)
	return [...new Set([...step.hazards, ...ofMaterials, ...ofTools])]
}

/** The cautions that apply to resolved designs, each once, in a fixed order: for a design, or for a course's hand-out. */
export function cautionsOf(...designs: readonly Pick<ResolvedDesign, 'parts' | 'steps' | 'bundles'>[]): Caution[] {
	const found = new Set(
		designs.flatMap(({ parts, steps, bundles }) => [
			...steps.flatMap(hazardsOfStep),
			...([...parts, ...bundles].some(({ wire }) => wire) ? (['wire', 'not food'] as const) : []),
			...(parts.some(({ form }) => form.type === 'bought') ? (['not food'] as const) : []),
			...(parts.some(({ piecesPerFlower }) => piecesPerFlower >= TIRING_PIECES) ? (['strain'] as const) : []),
		]),
	)
	return (Object.keys(CAUTION_OF) as Hazard[])
		.filter((hazard) => found.has(hazard))
		.map((hazard) => ({ hazard, ...CAUTION_OF[hazard] }))
}
