/** Designs to start from: the bones of the six kinds of things that are taught, complete enough to be planned. */
import { DESIGN_FORMAT, DESIGN_FORMAT_VERSION, type Design } from '../design'
import { dried, DUST, part, step, wire } from './pieces'

export interface Skeleton {
	id: string
	name: string
	/** One sentence of what is in it. */
	description: string
	design: Omit<Design, 'format' | 'formatVersion' | 'id' | 'name'>
}

/** Techniques that most flowers ask for, with the minutes of showing them. */
const THIN_AND_VEIN = { id: 'thin-and-vein', name: 'Thinning and veining', demoMinutes: 6 }
const TAPING = { id: 'taping', name: 'Taping a layer', demoMinutes: 4 }

/** In the order in which they are offered. */
export const SKELETONS: readonly Skeleton[] = [
	{
		id: 'open-flower',
		name: 'Open flower',
		description: 'A dried centre and one ring of wired petals, dusted and taped.',
		design: {
			kind: 'flower',
			level: 2,
			finishedSizeMm: 90,
			summary: 'A centre with a ring of wired petals.',
			choices: [],
			techniques: [THIN_AND_VEIN, TAPING],
			parts: [
				part('centre', {
					name: 'Centre',
					role: 'centre',
					tint: 'straw',
					pieces: 1,
					form: { type: 'formed', body: 'cone', diameterMm: 12, lengthMm: 18 },
					colour: 'lemon',
					wire: { ...wire(20, 180, 'green'), method: 'hooked' },
					former: 'upright in foam',
				}),
				part('petals', {
					name: 'Petals',
					role: 'petal',
					tint: 'blush',
					pieces: 5,
					form: { type: 'cut', outline: 'round petal', widthMm: 38, lengthMm: 44, thicknessMm: 0.8 },
					wire: { ...wire(28, 90), method: 'grooved board' },
					former: 'spoon',
				}),
			],
			steps: [
				step('centre-form', 'centre', {
					label: 'Form on its wire',
					sentence: 'Roll a cone and push the hooked, glued wire in from below.',
					each: 5,
				}),
				step('petal-shape', 'petals', {
					label: 'Cut, wire, vein',
					sentence: 'Cut over the groove, slide the wire in, thin the edge, vein and shape.',
					technique: 'thin-and-vein',
					tools: ['petal cutter', 'veiner', 'ball tool'],
					leastPieces: 2,
				}),
				step('petal-dust', 'petals', {
					label: 'Dust',
					sentence: 'Dust from the base outwards.',
					each: 1.5,
					needs: [{ ...dried('petal-shape', 'hard', 720), isPieceByPiece: true }],
					tools: ['soft brush'],
					materials: DUST,
					leastPieces: 2,
				}),
				step('tape', undefined, {
					label: 'Tape the ring',
					sentence: 'Tape the petals round the centre, one after the other.',
					each: 12,
					technique: 'taping',
					needs: [dried('centre-form', 'through', 1080), { after: 'petal-dust' }],
					tools: ['floral tape'],
				}),
			],
			layers: [
				{ part: 'centre', pieceCount: 1, radiusMm: 0, arrangement: 'aligned' },
				{
					part: 'petals',
					pieceCount: 5,
					radiusMm: 3,
					arrangement: 'over gaps',
					opennessDeg: 72,
					joining: 'taped',
					tapeTurns: 2,
				},
			],
		},
	},
	{
		id: 'layered-flower',
		name: 'Layered flower',
		description: 'Unwired petals glued round a dried base, layer over the gaps of layer.',
		design: {
			kind: 'flower',
			level: 3,
			finishedSizeMm: 60,
			summary: 'Petals glued round a base, three layers deep.',
			choices: [],
			techniques: [{ id: 'thin-and-cup', name: 'Thinning and cupping', demoMinutes: 5 }],
			parts: [
				part('base', {
					name: 'Base',
					role: 'base',
					tint: 'fern',
					pieces: 1,
					form: { type: 'formed', body: 'ball', diameterMm: 18 },
					colour: 'pale green',
					former: 'upright in foam',
				}),
				part('inner', {
					name: 'Inner petals',
					role: 'petal',
					tint: 'plum',
					pieces: 5,
					form: { type: 'cut', outline: 'circle', widthMm: 26, lengthMm: 26, thicknessMm: 0.8 },
				}),
				part('outer', {
					name: 'Outer petals',
					role: 'petal',
					tint: 'blush',
					pieces: 7,
					form: { type: 'cut', outline: 'circle', widthMm: 32, lengthMm: 32, thicknessMm: 0.8 },
				}),
			],
			steps: [
				step('base-form', 'base', { label: 'Roll the base', sentence: 'Roll a ball without a crease.', each: 3 }),
				step('inner-shape', 'inner', {
					label: 'Cut and cup',
					sentence: 'Cut, thin the edge and cup on the pad.',
					each: 1.5,
					technique: 'thin-and-cup',
					tools: ['round cutter', 'ball tool'],
				}),
				step('inner-glue', undefined, {
					label: 'Glue the inner layer',
					sentence: 'Glue each petal under the one before.',
					each: 8,
					needs: [
						dried('base-form', 'through', 720),
						{ after: 'inner-shape', withinMinutes: 20, withinCoveredMinutes: 90, isCovered: true },
					],
				}),
				step('outer-shape', 'outer', {
					label: 'Cut and cup',
					sentence: 'Cut, thin the edge and cup on the pad.',
					each: 1.5,
					technique: 'thin-and-cup',
					tools: ['round cutter', 'ball tool'],
				}),
				step('outer-glue', undefined, {
					label: 'Glue the outer layer',
					sentence: 'Glue over the gaps of the layer before.',
					each: 10,
					needs: [
						{ after: 'inner-glue' },
						{ after: 'outer-shape', withinMinutes: 20, withinCoveredMinutes: 90, isCovered: true },
					],
				}),
			],
			layers: [
				{ part: 'base', pieceCount: 1, radiusMm: 0, arrangement: 'aligned' },
				{ part: 'inner', pieceCount: 5, radiusMm: 4, arrangement: 'aligned', opennessDeg: 35, joining: 'glued' },
				{ part: 'outer', pieceCount: 7, radiusMm: 7, arrangement: 'over gaps', opennessDeg: 60, joining: 'glued' },
			],
		},
	},
	{
		id: 'bud-and-spray',
		name: 'Bud and spray',
		description: 'Buds in bundles of three and a few open blossoms down one stem.',
		design: {
			kind: 'flower',
			level: 2,
			finishedSizeMm: 160,
			summary: 'Buds and small blossoms taped down one stem.',
			choices: [],
			techniques: [TAPING],
			parts: [
				part('buds', {
					name: 'Buds',
					role: 'bud',
					tint: 'iris',
					pieces: 6,
					form: { type: 'formed', body: 'drop', diameterMm: 6, lengthMm: 11 },
					wire: { ...wire(30, 90, 'green'), method: 'hooked' },
					former: 'upright in foam',
					breakage: 0.04,
				}),
				part('blossoms', {
					name: 'Blossoms',
					role: 'petal',
					tint: 'blush',
					pieces: 3,
					form: { type: 'cut', outline: 'blossom', lobes: 5, widthMm: 26, lengthMm: 26, thicknessMm: 0.7 },
					wire: wire(28, 90, 'green'),
					former: 'hung head down',
				}),
			],
			steps: [
				step('buds-form', 'buds', {
					label: 'Form the buds',
					sentence: 'Roll a drop onto each hooked wire and mark it.',
					each: 2,
				}),
				step('blossoms-shape', 'blossoms', {
					label: 'Cut and cup',
					sentence: 'Cut, soften the edge, cup, and pull the wire through.',
					tools: ['blossom cutter', 'ball tool'],
				}),
				step('dust', 'blossoms', {
					label: 'Dust',
					sentence: 'Dust the throat.',
					each: 1,
					needs: [dried('blossoms-shape', 'firm', 360)],
					materials: DUST,
				}),
				step('tape', undefined, {
					label: 'Tape the spray',
					sentence: 'Tape buds first, then blossoms, down the stem.',
					each: 14,
					technique: 'taping',
					needs: [dried('buds-form', 'hard', 720), { after: 'dust' }],
					tools: ['floral tape'],
				}),
			],
			layers: [
				{
					part: 'buds',
					pieceCount: 6,
					radiusMm: 10,
					heightMm: 60,
					arrangement: 'spiral',
					opennessDeg: 45,
					joining: 'taped',
					tapeTurns: 2,
				},
				{
					part: 'blossoms',
					pieceCount: 3,
					radiusMm: 14,
					heightMm: 20,
					arrangement: 'spiral',
					opennessDeg: 65,
					joining: 'taped',
					tapeTurns: 2,
				},
			],
		},
	},
	{
		id: 'leaf',
		name: 'Leaf',
		description: 'Wired, veined leaves on one stem, dusted and glazed.',
		design: {
			kind: 'foliage',
			level: 1,
			finishedSizeMm: 150,
			summary: 'Wired leaves, dusted and glazed.',
			choices: [],
			techniques: [THIN_AND_VEIN],
			parts: [
				part('leaves', {
					name: 'Leaves',
					role: 'leaf',
					tint: 'fern',
					pieces: 5,
					form: { type: 'cut', outline: 'ovate leaf', widthMm: 28, lengthMm: 50, thicknessMm: 0.9 },
					colour: 'leaf green',
					wire: { ...wire(28, 90, 'green'), method: 'grooved board' },
					former: 'crumpled paper',
				}),
			],
			steps: [
				step('shape', 'leaves', {
					label: 'Cut, wire, vein',
					sentence: 'Cut over the groove, wire, soften the edge and vein.',
					technique: 'thin-and-vein',
					tools: ['leaf cutter', 'veiner'],
					leastPieces: 1,
				}),
				step('dust', 'leaves', {
					label: 'Dust and glaze',
					sentence: 'Dust in two greens, then brush on glaze.',
					each: 2,
					needs: [dried('shape', 'firm', 480)],
					materials: [...DUST, { name: 'leaf glaze', kind: 'glaze' }],
				}),
				step('tape', undefined, {
					label: 'Tape together',
					sentence: 'Tape the leaves in turn down the stem.',
					each: 6,
					needs: [{ after: 'dust', wait: { stage: 'touch', usualMinutes: 20 } }],
					tools: ['floral tape'],
				}),
			],
			layers: [
				{
					part: 'leaves',
					pieceCount: 5,
					radiusMm: 6,
					arrangement: 'spiral',
					opennessDeg: 70,
					joining: 'taped',
					tapeTurns: 2,
				},
			],
		},
	},
	{
		id: 'moulded-ornament',
		name: 'Moulded ornament',
		description: 'Pieces pressed in a mould, brushed with lustre, set on a cut base.',
		design: {
			kind: 'ornament',
			level: 1,
			finishedSizeMm: 80,
			summary: 'Moulded pieces on a base, without a wire.',
			choices: [],
			techniques: [{ id: 'pressing', name: 'Pressing into a mould', demoMinutes: 4 }],
			parts: [
				part('pieces', {
					name: 'Moulded pieces',
					role: 'decoration',
					tint: 'apricot',
					pieces: 3,
					form: { type: 'moulded', massG: 4 },
					paste: 'modelling paste',
					breakage: 0.04,
				}),
				part('base', {
					name: 'Base',
					role: 'base',
					tint: 'straw',
					pieces: 1,
					form: { type: 'cut', outline: 'circle', widthMm: 80, lengthMm: 80, thicknessMm: 4 },
					paste: 'sugarpaste',
					breakage: 0.03,
				}),
			],
			steps: [
				step('press', 'pieces', {
					label: 'Press and turn out',
					sentence: 'Dust the mould with starch, press the paste in and turn it out.',
					technique: 'pressing',
					tools: ['mould'],
					materials: [{ name: 'corn starch', kind: 'starch' }],
				}),
				step('lustre', 'pieces', {
					label: 'Brush with lustre',
					sentence: 'Brush dry lustre over the high places.',
					each: 1,
					needs: [{ after: 'press', wait: { stage: 'touch', usualMinutes: 60 } }],
					materials: DUST,
				}),
				step('cut', 'base', {
					label: 'Cut the base',
					sentence: 'Roll thick, cut and smooth the edge.',
					tools: ['round cutter'],
				}),
				step('set', undefined, {
					label: 'Arrange and glue',
					sentence: 'Arrange on the base, then glue.',
					each: 8,
					needs: [{ after: 'lustre' }, { after: 'cut' }],
				}),
			],
			layers: [
				{
					part: 'pieces',
					pieceCount: 3,
					radiusMm: 6,
					heightMm: 4,
					arrangement: 'free',
					opennessDeg: 80,
					joining: 'glued',
				},
				{ part: 'base', pieceCount: 1, radiusMm: 0, arrangement: 'aligned' },
			],
		},
	},
	{
		id: 'figure',
		name: 'Figure',
		description: 'A body, a head and limbs of modelling paste, dried in between.',
		design: {
			kind: 'topper',
			level: 2,
			finishedSizeMm: 70,
			summary: 'A small figure of modelling paste.',
			choices: [],
			techniques: [{ id: 'joining', name: 'Joining with a stick', demoMinutes: 4 }],
			parts: [
				part('body', {
					name: 'Body',
					role: 'base',
					tint: 'clay',
					pieces: 1,
					form: { type: 'formed', body: 'cone', diameterMm: 32, lengthMm: 46 },
					paste: 'modelling paste',
					breakage: 0.03,
				}),
				part('head', {
					name: 'Head',
					role: 'centre',
					tint: 'apricot',
					pieces: 1,
					form: { type: 'formed', body: 'ball', diameterMm: 26 },
					paste: 'modelling paste',
					breakage: 0.03,
				}),
				part('limbs', {
					name: 'Limbs',
					role: 'decoration',
					tint: 'straw',
					pieces: 4,
					form: { type: 'formed', body: 'drop', diameterMm: 10, lengthMm: 24 },
					paste: 'modelling paste',
					breakage: 0.05,
				}),
			],
			steps: [
				step('body-form', 'body', { label: 'Form the body', sentence: 'Roll a cone that stands by itself.', each: 5 }),
				step('head-form', 'head', { label: 'Form the head', sentence: 'Roll a ball and mark the face.', each: 6 }),
				step('limbs-form', 'limbs', { label: 'Roll the limbs', sentence: 'Roll drops and bend them.', each: 2 }),
				step('join', undefined, {
					label: 'Put together',
					sentence: 'Join head and limbs to the body with glue and a stick.',
					each: 10,
					technique: 'joining',
					needs: [
						dried('body-form', 'firm', 720),
						{ after: 'head-form', wait: { stage: 'set', usualMinutes: 240 } },
						{ after: 'limbs-form' },
					],
				}),
			],
			layers: [
				{ part: 'head', pieceCount: 1, radiusMm: 0, heightMm: 42, arrangement: 'aligned' },
				{
					part: 'limbs',
					pieceCount: 4,
					radiusMm: 12,
					heightMm: 12,
					arrangement: 'aligned',
					opennessDeg: 65,
					joining: 'glued',
				},
				{ part: 'body', pieceCount: 1, radiusMm: 0, arrangement: 'aligned' },
			],
		},
	},
]

/** @returns undefined where there is no such skeleton */
export function designFromSkeleton(skeletonId: string, { id, name }: { id: string; name: string }): Design | undefined {
	const skeleton = SKELETONS.find((one) => one.id === skeletonId)
	return skeleton && { format: DESIGN_FORMAT, formatVersion: DESIGN_FORMAT_VERSION, id, name, ...skeleton.design }
}
