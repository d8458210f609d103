/**
 * What waits after a step that glues fresh pieces on: the body so far. It is one for each piece that they are put on, or
 * one for each flower. Its core counts as dry if it was bought, or if a need on the way asked for firm or more.
 * Assumes that a piece is glued over half of its width, and that a blossom is as many petals as it has lobes.
 */
import type { BuiltFlower, Openness } from '../drying/built-flower'
import { coreRadiusMm, layersAtFoot } from '../drying/built-flower'
import { PASTE_TERMS } from '../drying/paste-terms'
import { discThicknessMm, pasteVolumeMm3 } from '../materials/piece-mass'
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { PASTES, type Paste } from '../vocabulary/paste'
import type { CutForm, PartForm } from '../vocabulary/piece-form'
import { pieceSize, USUAL_OPENNESS_DEG } from './flower-geometry'
import { kindsUsed } from './kinds-used'
import type { ResolvedDesign, ResolvedLayer, ResolvedPart, ResolvedStep } from './resolve-design'

type Context = Pick<ResolvedDesign, 'parts' | 'steps' | 'layers' | 'mixtures'>

export interface BodySoFar {
	/** As the drying model takes it. */
	flower: BuiltFlower
	/** The one of its pastes that dries slowest. */
	paste: Paste
	/** Part of the design that it is built over. */
	corePart: string
	/** Bodies in one flower. */
	perFlower: number
}

/** Leans of the last layer, degrees: closed below the first, open from the second. */
const OPENNESS_DEG = { half: 30, open: 60 }
/** Share of a piece's width that is glued, where nobody knows. */
const GLUED_SHARE = 0.5
/** Pieces that were waited for so long before they are glued on are dry: what waits after them is the glue alone. */
const DRY_STAGES: readonly DryingStage[] = DRYING_STAGES.slice(DRYING_STAGES.indexOf('firm'))

/** Undefined: the step glues no fresh pieces on, or nothing is known of what they are glued to. */
export function bodySoFar(design: Context, from: ResolvedStep): BodySoFar | undefined {
	const way = new Set([from, ...stepsBefore(design, from)])
	const put = piecesPutOn(design, from, way)
	return put ? buildOnPieces(design, put, way) : buildFlower(design, from, way)
}

/** Tiny pieces on another part: a closed covering, as thick as one of them. */
function buildOnPieces(
	design: Context,
	put: { piece: ResolvedPart; core: ResolvedPart },
	way: ReadonlySet<ResolvedStep>,
) {
	const { piece, core } = put
	const coreBody = coreOf(core, isDry(design, core, way))
	const thicknessMm = thicknessOf(piece.form)
	const paste = slowest([piece, ...(coreBody?.isDry === false ? [core] : [])])
	if (!coreBody || !paste || thicknessMm === undefined) return undefined
	return {
		flower: {
			paste: PASTE_TERMS[paste],
			petalMm: thicknessMm,
			core: coreBody,
			layers: 1,
			openness: 'closed' as const,
			...paceOf(piece),
		},
		paste,
		corePart: core.of,
		perFlower: core.piecesOfPart,
	}
}

/** Layer on layer round the middle of the flower. */
function buildFlower(design: Context, from: ResolvedStep, way: ReadonlySet<ResolvedStep>): BodySoFar | undefined {
	const laid = new Set([...way].flatMap(({ lays = [] }) => lays))
	const isGlued = ({ id, joining }: ResolvedLayer) => joining === 'glued' && id !== undefined && laid.has(id)
	const ownIsFresh = design.layers.some(
		(layer) => isGlued(layer) && from.lays?.includes(layer.id ?? '') && isFresh(design, layer, way),
	)
	const core = ownIsFresh ? findCore(design, way) : undefined
	const coreBody = core && coreOf(core, isDry(design, core, way))
	if (!core || !coreBody) return undefined
	const rows = design.layers.flatMap((layer) => {
		const part = design.parts.find(({ id }) => id === layer.kinds[0])
		const thicknessMm = part && thicknessOf(part.form)
		if (!part || part.of === core.of || thicknessMm === undefined || !isGlued(layer)) return []
		return isFresh(design, layer, way) ? [{ layer, part, thicknessMm }] : []
	})
	const last = rows.at(-1)
	if (!last) return undefined
	const radiusMm = coreRadiusMm(coreBody)
	// Layers of unlike thickness count as so many of the last.
	const layers = rows.reduce((sum, { layer, part, thicknessMm }) => {
		const { count, widthMm } = petalsOf(part.form)
		return (
			sum +
			(layersAtFoot(layer.pieceCount * count, gluedMm(widthMm, radiusMm), radiusMm) * thicknessMm) / last.thicknessMm
		)
	}, 0)
	const paste = slowest([...rows.map(({ part }) => part), ...(coreBody.isDry ? [] : [core])])
	if (!paste || layers === 0) return undefined
	return {
		flower: {
			paste: PASTE_TERMS[paste],
			petalMm: last.thicknessMm,
			core: coreBody,
			layers,
			openness: opennessOf(last.layer),
			sizeMm: Math.max(...rows.map(acrossMm)),
			...paceOf(last.part),
		},
		paste,
		corePart: core.of,
		perFlower: 1,
	}
}

/** Half of a piece's width; no piece goes round the core more than once. */
function gluedMm(widthMm: number, coreMm: number): number {
	return Math.min(GLUED_SHARE * widthMm, 2 * Math.PI * coreMm)
}

/** The innermost body: what the first layer holds, or else what is called a centre or a base. */
function findCore({ parts, layers, steps }: Context, way: ReadonlySet<ResolvedStep>): ResolvedPart | undefined {
	// What comes only later is nothing to glue to.
	const isThere = ({ of }: ResolvedPart) => {
		const own = steps.filter(({ part }) => part === of)
		return own.length === 0 || own.some((step) => way.has(step))
	}
	const isBody = (part: ResolvedPart | undefined) =>
		part !== undefined && part.form.type !== 'cut' && part.form.type !== 'derived' && isThere(part)
	const first = parts.find(({ id }) => id === layers[0]?.kinds[0])
	return isBody(first) ? first : parts.find((part) => isBody(part) && (part.role === 'centre' || part.role === 'base'))
}

/** What a step glues onto each piece of another part. */
function piecesPutOn(design: Context, from: ResolvedStep, way: ReadonlySet<ResolvedStep>) {
	const { parts } = design
	const piece = parts.find((part) => part.of === from.part && part.on !== undefined)
	const core = piece && parts.find((part) => part.of === piece.on)
	if (!piece || !core) return undefined
	const isPutOn = [...way].some((step) => step.part === from.part && isGluing(design, step))
	return isPutOn ? { piece, core } : undefined
}

function isGluing(design: Context, step: ResolvedStep): boolean {
	// A mixture of no kind that is used on tiny pieces holds them.
	const isMixed = (step.uses ?? []).length > 0
	return (step.lays ?? []).length > 0 || isMixed || kindsUsed(design, step).includes('edible glue')
}

/** All steps that must be done before one. */
function stepsBefore({ steps }: Pick<Context, 'steps'>, from: ResolvedStep): Set<ResolvedStep> {
	const found = new Set<ResolvedStep>()
	const look = (step: ResolvedStep) => {
		for (const { after } of step.needs) {
			const before = steps.find(({ id }) => id === after)
			if (!before || found.has(before)) continue
			found.add(before)
			look(before)
		}
	}
	look(from)
	return found
}

/** Bought, or waited for until firm or more by any step on the way. */
function isDry(design: Context, core: ResolvedPart, way: ReadonlySet<ResolvedStep>): boolean {
	return core.form.type === 'bought' || wasDried(design, core.of, way)
}

/** Whether pieces are laid before they are dry. */
function isFresh(design: Context, layer: ResolvedLayer, way: ReadonlySet<ResolvedStep>): boolean {
	const part = design.parts.find(({ of }) => of === layer.part)
	return part?.paste !== undefined && !wasDried(design, layer.part, way)
}

function wasDried({ steps }: Context, part: string, way: ReadonlySet<ResolvedStep>): boolean {
	const own = new Set(steps.filter((step) => step.part === part).map(({ id }) => id))
	return [...way].some(({ needs }) =>
		needs.some(({ after, wait }) => own.has(after) && wait?.stage !== undefined && DRY_STAGES.includes(wait.stage)),
	)
}

function coreOf({ form }: ResolvedPart, isCoreDry: boolean): BuiltFlower['core'] | undefined {
	switch (form.type) {
		case 'formed': {
			if (form.body === 'cone')
				return { baseRadiusMm: form.diameterMm / 2, heightMm: form.lengthMm ?? form.diameterMm, isDry: isCoreDry }
			return { radiusMm: form.body === 'half ball' ? form.diameterMm / 4 : form.diameterMm / 2, isDry: isCoreDry }
		}
		case 'moulded':
			return { radiusMm: Math.cbrt((3 * pasteVolumeMm3(form)) / (4 * Math.PI)), isDry: isCoreDry }
		case 'bought':
			return form.diameterMm === undefined ? undefined : { radiusMm: form.diameterMm / 2, isDry: isCoreDry }
		case 'cut':
		case 'derived':
			return undefined
	}
}

function thicknessOf(form: PartForm): number | undefined {
	switch (form.type) {
		case 'cut':
			return (form.shaping === 'folded' ? 2 : 1) * form.thicknessMm
		case 'formed':
			return form.body === 'flattened ball' ? discThicknessMm(form) : form.diameterMm
		default:
			return undefined
	}
}

/** A piece as so many petals of a width. */
function petalsOf(form: PartForm): { count: number; widthMm: number } {
	const { widthMm } = pieceSize(form)
	const lobes = form.type === 'cut' ? lobesOf(form) : 1
	return lobes === 1 ? { count: 1, widthMm } : { count: lobes, widthMm: widthMm * Math.sin(Math.PI / lobes) }
}

const LOBED: ReadonlySet<CutForm['outline']> = new Set(['blossom', 'star', 'calyx'])

function lobesOf({ outline, lobes = 5 }: CutForm): number {
	return LOBED.has(outline) ? lobes : 1
}

function opennessOf({ opennessDeg = USUAL_OPENNESS_DEG }: ResolvedLayer): Openness {
	if (opennessDeg < OPENNESS_DEG.half) return 'closed'
	return opennessDeg < OPENNESS_DEG.open ? 'half' : 'open'
}

/** Across the ring, mm. */
function acrossMm({ layer, part }: { layer: ResolvedLayer; part: ResolvedPart }): number {
	const { lengthMm } = pieceSize(part.form)
	const lean = ((layer.opennessDeg ?? USUAL_OPENNESS_DEG) * Math.PI) / 180
	return 2 * Math.max(layer.radiusMm + lengthMm * Math.sin(lean), lengthMm / 4)
}

/** Of several pastes the foot takes the one that dries slowest; pastes are listed from fast to slow. */
function slowest(parts: readonly ResolvedPart[]): Paste | undefined {
	const ranks = parts.flatMap(({ paste }) => (paste ? [PASTES.indexOf(paste)] : []))
	return PASTES[Math.max(-1, ...ranks)]
}

function paceOf({ ownPaste }: ResolvedPart): { paceFactor?: number } {
	return ownPaste ? { paceFactor: ownPaste.paceFactor } : {}
}
