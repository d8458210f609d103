/** What a step of a design works on, and how often its minutes and amounts are spent. */
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from './resolve-design'

/** Kinds of pieces that the step is done to; none for a step of the assembly. */
export function kindsOfStep(
	{ parts }: Pick<ResolvedDesign, 'parts'>,
	{ part, sizes }: Pick<ResolvedStep, 'part' | 'sizes'>,
): ResolvedPart[] {
	return parts.filter((kind) => kind.of === part && (!sizes || kind.size === undefined || sizes.includes(kind.size)))
}

/** Steps that are done to a kind of piece. */
export function stepsOfKind({ steps }: Pick<ResolvedDesign, 'steps'>, kind: ResolvedPart): ResolvedStep[] {
	return steps.filter(
		({ part, sizes }) => part === kind.of && (!sizes || kind.size === undefined || sizes.includes(kind.size)),
	)
}

/** The same thing so often, each in so many minutes of a practised adult. */
export interface WorkShare {
	/** Absent: flowers, bundles or students. */
	kind?: ResolvedPart
	/** Whole, >= 0. */
	count: number
	minutesEach: number
}

export interface WorkTerms {
	/** Flowers of one student. */
	flowers: number
	/** Pieces of a kind that one student works on, spares included; the flowers' own if absent. */
	piecesOf?: (kind: ResolvedPart) => number
}

/** Everything that one student does in a step, by kinds of pieces. */
export function workOfStep(design: ResolvedDesign, step: ResolvedStep, { flowers, piecesOf }: WorkTerms): WorkShare[] {
	const { minutesPerPiece: minutesEach, minutesBySize = {}, per, part } = step
	if (per === 'student') return [{ count: 1, minutesEach }]
	if (per === 'flower') return [{ count: flowers, minutesEach }]
	const bundle = design.bundles.find(({ id }) => id === step.bundle)
	if (bundle) return [{ count: bundle.count * flowers, minutesEach }]
	if (part === undefined) {
		const count = per === 'piece' ? laidPieces(design, step) * flowers : flowers
		return [{ count, minutesEach }]
	}
	return kindsOfStep(design, step).map((kind) => ({
		kind,
		count: shareOfPieces(design, step, kind, {
			flowers,
			made: piecesOf?.(kind) ?? kind.piecesPerFlower * flowers,
		}),
		minutesEach: (kind.size === undefined ? undefined : minutesBySize[kind.size]) ?? minutesEach,
	}))
}

/** How often one student does what the step says. */
export function countOfStep(design: ResolvedDesign, step: ResolvedStep, terms: WorkTerms): number {
	return workOfStep(design, step, terms).reduce((sum, { count }) => sum + count, 0)
}

/** Minutes of one practised adult over all that she does in a step, with its fixed ones. */
export function minutesOfStep(design: ResolvedDesign, step: ResolvedStep, terms: WorkTerms): number {
	return workOfStep(design, step, terms).reduce(
		(sum, { count, minutesEach }) => sum + count * minutesEach,
		step.fixedMinutes,
	)
}

/** Pieces that a step lays, per flower. */
function laidPieces({ layers }: Pick<ResolvedDesign, 'layers'>, { lays = [] }: ResolvedStep): number {
	return layers.reduce((sum, { id, pieceCount }) => sum + (id !== undefined && lays.includes(id) ? pieceCount : 0), 0)
}

/** A step that takes only some pieces of its part: its share of the spares goes with them, the last such step takes the rest. */
function shareOfPieces(
	design: ResolvedDesign,
	step: ResolvedStep,
	kind: ResolvedPart,
	{ flowers, made }: { flowers: number; made: number },
): number {
	const own = piecesTaken(design, step)
	if (own === undefined) return made
	const needed = kind.piecesPerFlower * flowers
	const all = kindsOfStep(design, step).reduce((sum, { piecesPerFlower }) => sum + piecesPerFlower, 0)
	const part = Math.min(1, own / Math.max(1, all))
	return Math.round(part * needed) + Math.ceil(part * Math.max(0, made - needed) - 1e-9)
}

/** Of its part, per flower; undefined: all. */
function piecesTaken(design: ResolvedDesign, step: ResolvedStep): number | undefined {
	if (step.pieces !== undefined) return step.pieces
	const laid = design.layers.filter(({ id = '', part }) => step.lays?.includes(id) && part === step.part)
	if (laid.length === 0) return undefined
	return laid.reduce((sum, { pieceCount }) => sum + pieceCount, 0)
}
