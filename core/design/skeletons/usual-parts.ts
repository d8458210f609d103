/**
 * A part by its name alone: what it is, how it is shaped, what is done to it, where it sits. Common practice, no source;
 * everything can be changed afterwards. Called by the editor (one more part) and by a new design that is told in names.
 */
import {
	DESIGN_FORMAT,
	DESIGN_FORMAT_VERSION,
	type Design,
	type Layer,
	type Part,
	type PartRole,
	type Step,
} from '../design'
import type { PartForm } from '../../vocabulary/piece-form'
import { freshId, slugOf } from '../edits/fresh-id'
import { pieceSize } from '../flower-geometry'
import { dried, DUST, part, step, wire } from './pieces'
import { roleOfName } from './role-of-name'

/** The bones of a part of each role; sizes in mm. */
const USUAL: Record<PartRole, { pieces: number; form: PartForm; colour: string; tints: readonly Part['tint'][] }> = {
	centre: {
		pieces: 1,
		form: { type: 'formed', body: 'cone', diameterMm: 12, lengthMm: 18 },
		colour: 'lemon',
		tints: ['straw'],
	},
	petal: {
		pieces: 5,
		form: { type: 'cut', outline: 'petal', widthMm: 34, lengthMm: 44, thicknessMm: 0.8 },
		colour: 'white',
		tints: ['blush', 'plum', 'apricot', 'iris'],
	},
	sepal: {
		pieces: 1,
		form: { type: 'cut', outline: 'calyx', widthMm: 44, lengthMm: 44, thicknessMm: 0.8 },
		colour: 'moss green',
		tints: ['fern', 'sea'],
	},
	leaf: {
		pieces: 2,
		form: { type: 'cut', outline: 'ovate leaf', widthMm: 28, lengthMm: 50, thicknessMm: 0.9 },
		colour: 'leaf green',
		tints: ['fern'],
	},
	bud: {
		pieces: 1,
		form: { type: 'formed', body: 'drop', diameterMm: 12, lengthMm: 20 },
		colour: 'pale green',
		tints: ['sea', 'fern'],
	},
	filler: { pieces: 12, form: { type: 'bought', item: 'stamens' }, colour: 'cream', tints: ['straw', 'clay'] },
	base: { pieces: 1, form: { type: 'formed', body: 'ball', diameterMm: 18 }, colour: 'pale green', tints: ['clay'] },
	decoration: { pieces: 3, form: { type: 'moulded', massG: 4 }, colour: 'white', tints: ['clay', 'sea', 'apricot'] },
}

/**
 * Adds a part by its name, with its usual steps, its place in the layers and the step that puts it on.
 *
 * @param name - 1 to 80 characters
 * @returns the new design, and the new part's id
 */
export function addUsualPart(design: Design, name: string): { design: Design; partId: string } {
	const role = roleOfName(name, design.kind)
	const id = freshId(slugOf(name), design.parts)
	const { pieces, colour, tints } = USUAL[role]
	const form = usualForm(role, design)
	const used = new Set(design.parts.map(({ tint }) => tint))
	const added = part(id, {
		name,
		role,
		tint: tints.find((tint) => !used.has(tint)) ?? tints[0] ?? 'blush',
		pieces,
		form,
		colour,
		...usualWire(role),
		...usualFormer(role),
	})
	const own = usualSteps(role, id, design)
	const layer = { id: freshId(`${id}-layer`, idsOf(design.layers)), ...usualLayer(design, added) }
	const join = { ...joiningStep(design, added, own), lays: [layer.id] }
	return {
		partId: id,
		design: {
			...design,
			parts: [...design.parts, added],
			steps: [...design.steps, ...own, join],
			layers: [...design.layers, layer],
		},
	}
}

/** Layers that have an id, by it. */
function idsOf(layers: readonly Layer[]): { id: string }[] {
	return layers.flatMap(({ id }) => (id === undefined ? [] : [{ id }]))
}

/**
 * A flower told by the names of its parts, from the middle outwards.
 *
 * @param names - at least one, each 1 to 80 characters
 */
export function designFromParts({ id, name }: { id: string; name: string }, names: readonly string[]): Design {
	const bare: Design = {
		format: DESIGN_FORMAT,
		formatVersion: DESIGN_FORMAT_VERSION,
		id,
		name,
		kind: 'flower',
		level: 2,
		finishedSizeMm: 1,
		summary: `Made of ${names.join(', ').toLowerCase()}.`.slice(0, 400),
		choices: [],
		techniques: [],
		parts: [],
		steps: [],
		layers: [],
	}
	const design = names.reduce((before, partName) => addUsualPart(before, partName).design, bare)
	return { ...design, finishedSizeMm: sizeAcross(design) }
}

/** Two of its largest pieces and what lies between their feet, whole mm. */
function sizeAcross({ parts, layers }: Design): number {
	const reaches = layers.map(({ part: partId, radiusMm, pieceCount }) => {
		const form = parts.find(({ id }) => id === partId)?.form
		if (!form) return 0
		const { widthMm, lengthMm } = pieceSize(form)
		return pieceCount === 1 ? widthMm : 2 * (radiusMm + lengthMm)
	})
	return Math.max(1, Math.round(Math.max(...reaches)))
}

/** An outer ring has larger petals than the one before it. */
const RING_GROWTH = 0.18

function usualForm(role: PartRole, { parts }: Design): PartForm {
	const { form } = USUAL[role]
	if (form.type !== 'cut' || role !== 'petal') return form
	const growth = 1 + RING_GROWTH * parts.filter((other) => other.role === role).length
	return { ...form, widthMm: Math.round(form.widthMm * growth), lengthMm: Math.round(form.lengthMm * growth) }
}

function usualWire(role: PartRole): { wire?: NonNullable<Part['wire']> } {
	switch (role) {
		case 'centre':
			return { wire: { ...wire(20, 180, 'green'), method: 'hooked' } }
		case 'petal':
			return { wire: { ...wire(28, 90), method: 'grooved board' } }
		case 'leaf':
			return { wire: { ...wire(28, 90, 'green'), method: 'grooved board' } }
		case 'bud':
			return { wire: { ...wire(24, 120, 'green'), method: 'hooked' } }
		default:
			return {}
	}
}

function usualFormer(role: PartRole): { former?: string } {
	switch (role) {
		case 'centre':
		case 'bud':
		case 'base':
			return { former: 'upright in foam' }
		case 'petal':
			return { former: 'spoon' }
		case 'leaf':
			return { former: 'crumpled paper' }
		default:
			return {}
	}
}

/** What is done to a part of the role, in its order. */
function usualSteps(role: PartRole, partId: string, { steps }: Design): Step[] {
	const idOf = (what: string) => freshId(`${partId}-${what}`, steps)
	const shape = idOf('shape')
	switch (role) {
		case 'petal':
		case 'leaf':
			return [
				step(shape, partId, {
					label: 'Cut, wire, vein',
					sentence: 'Cut over the groove, slide the wire in, soften the edge, vein and shape.',
					tools: [role === 'leaf' ? 'leaf cutter' : 'petal cutter', 'veiner', 'ball tool'],
					leastPieces: 1,
				}),
				step(idOf('dust'), partId, {
					label: 'Dust',
					sentence: 'Dust from the foot outwards.',
					each: 1.5,
					needs: [dried(shape, role === 'leaf' ? 'firm' : 'hard', role === 'leaf' ? 480 : 720)],
					tools: ['soft brush'],
					materials: DUST,
					leastPieces: 1,
				}),
			]
		case 'sepal':
			return [
				step(shape, partId, {
					label: 'Cut and soften',
					sentence: 'Cut, soften the edges and cup the middle.',
					each: 2,
					tools: ['sepal cutter', 'ball tool'],
				}),
			]
		case 'filler':
			return [
				step(shape, partId, {
					label: 'Gather',
					sentence: 'Fold in half, gather into a bunch and tie at the foot.',
					each: 0.25,
					once: 2,
				}),
			]
		case 'decoration':
			return [
				step(shape, partId, {
					label: 'Press and turn out',
					sentence: 'Press into the dusted mould, trim the back and turn out.',
					each: 2,
					tools: ['mould'],
					leastPieces: 1,
				}),
			]
		default:
			return [
				step(shape, partId, {
					label: partIsWired(role) ? 'Form on its wire' : 'Form',
					sentence: partIsWired(role)
						? 'Form it and push the hooked, glued wire in from below.'
						: 'Knead until smooth and form it without a crease.',
					each: 4,
				}),
			]
	}
}

function partIsWired(role: PartRole): boolean {
	return usualWire(role).wire !== undefined
}

/** The step of the assembly that puts the part on: after the one before it, and when its pieces can bear it. */
function joiningStep({ steps }: Design, { id, name, role }: Part, own: readonly Step[]): Step {
	const before = steps.findLast(({ part: of }) => of === undefined)
	const last = own.at(-1)?.id ?? ''
	const isFormed = role === 'centre' || role === 'bud' || role === 'base'
	const needs = [isFormed ? dried(last, 'through', 1080) : { after: last }, ...(before ? [{ after: before.id }] : [])]
	const what = name.toLowerCase()
	return step(freshId(`put-${id}`, steps), undefined, {
		label: before ? `Put on ${what}`.slice(0, 40) : `Begin with ${what}`.slice(0, 40),
		sentence: before ? `Tape or glue the ${what} on, evenly all round.` : `Take the ${what} to build on.`,
		each: before ? 5 : 1,
		needs,
		tools: before && partIsWired(role) ? ['floral tape'] : [],
	})
}

/** Outside of all that is there; a single piece sits in the middle. */
function usualLayer({ layers }: Design, { id, role, piecesPerFlower }: Part): Layer {
	const outermost = Math.max(0, ...layers.map(({ radiusMm }) => radiusMm))
	const isMiddle = piecesPerFlower === 1 || role === 'filler'
	const shared = { part: id, pieceCount: piecesPerFlower }
	if (role === 'leaf')
		return {
			...shared,
			radiusMm: outermost + 3,
			arrangement: 'spiral',
			opennessDeg: 80,
			joining: 'taped',
			tapeTurns: 2,
		}
	if (role === 'sepal') return { ...shared, radiusMm: 0, arrangement: 'aligned', opennessDeg: 90, joining: 'glued' }
	if (isMiddle)
		return { ...shared, radiusMm: role === 'filler' ? 2 : 0, arrangement: role === 'filler' ? 'around' : 'aligned' }
	const rings = layers.filter(({ radiusMm }) => radiusMm > 0).length
	return {
		...shared,
		radiusMm: outermost + 3,
		arrangement: role === 'decoration' ? 'around' : 'over gaps',
		opennessDeg: Math.min(82, 58 + 12 * rings),
		...(partIsWired(role) ? { joining: 'taped' as const, tapeTurns: 2 } : { joining: 'glued' as const }),
	}
}
