/**
 * A piece followed along its path: the profile of moisture from step to step. Steps begin at 4 s and grow by a tenth;
 * a new place begins anew; where the climate follows the day a step is at most half an hour.
 */
import { surfaceCoefficient } from './air-film'
import { airAt, type DryingPath, type Stay } from './climate'
import { createStepper, STAGE1_FRACTION, type Conditions, type StepInto } from './diffusion'
import { toExtent, toFilm, usualFaces, type DryingBody, type DryingPiece, type Faces } from './drying-piece'
import { createProfileReader, type DepthProfile, type GridOf } from './dryness'
import { makeGrid, USUAL_CELL_COUNT, type Grid } from './grid'
import { diffusivityAt } from './paste-terms'
import { filmLaw, type SurfaceLaw } from './surface-law'

/** Steps begin short, when the surface changes within seconds, and grow by this factor each. */
const FIRST_STEP_SEC = 4
const GROWTH = 1.1
/** Where the air changes by the hour a step must not jump over an hour. */
const LONGEST_STEP_BY_DAY_SEC = 1800
/** The run reckons in seconds, everything told is in hours. */
const SEC_PER_HOUR = 3600

/** How finely a run is computed. */
export interface Fineness {
	/** Of the grid. */
	cellCount: number
	/** Of each step over the one before. */
	growth: number
	/** s. */
	firstStepSec: number
	/** Absent: no limit where the room is steady. */
	longestStepSec?: number
}

export const USUAL_FINENESS: Fineness = {
	cellCount: USUAL_CELL_COUNT,
	growth: GROWTH,
	firstStepSec: FIRST_STEP_SEC,
}

/** A step that was taken. Profiles are work arrays: copy what is to be kept. */
export interface RunStep {
	/** Since the piece was made, s. */
	startSec: number
	/** s. */
	endSec: number
	/** Moisture by cell at its start, kg/kg. Used again: read it before the next step. */
	before: Float64Array
	/** Moisture by cell at its end, kg/kg. */
	after: Float64Array
	/** At the end of the step. */
	conditions: Conditions
	stay: Stay
	/** The piece lies there for good: what is not reached then never is. */
	isLastStay: boolean
	/** The step taken again from its beginning, only so far; for the moment of a crossing. Overwritten by the next call. */
	again: (stepSec: number) => DepthProfile
}

export interface DryingRun {
	grid: Grid
	gridOf: GridOf
	/** Profiles with their faces; the answer is overwritten by the next call. */
	read: (profile: Float64Array, conditions: Conditions) => DepthProfile
	/** Steps without end, unless the path ends: stop asking. */
	steps: () => Generator<RunStep, void, undefined>
}

/**
 * @param rateFactor - multiplies diffusivity and film: in a steady room times are divided by it exactly
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function startRun(
	piece: DryingPiece,
	path: DryingPath,
	rateFactor = 1,
	fineness: Fineness = USUAL_FINENESS,
): DryingRun {
	const { body, paste } = piece
	const laid = layFaces(body.type === 'sheet', usualFaces(body), path)
	const extent = toExtent(body)
	const isHalf = body.type === 'sheet' && laid.every(({ faces }) => faces.front === faces.back)
	const half = isHalf ? { ...extent, outerM: extent.outerM / 2 } : extent
	const breathesBehind = body.type === 'sheet' && !isHalf && laid.some(({ faces }) => faces.back > 0)
	const grid = makeGrid(half, breathesBehind ? 'both' : 'outer', fineness.cellCount)
	const profile = new Float64Array(grid.centres.length).fill(paste.freshMoisture)
	const rate = rateFactor * (piece.paceFactor ?? 1)
	return {
		grid,
		gridOf: isHalf ? 'half sheet' : gridOf(body),
		read: createProfileReader(grid),
		steps: () => {
			const open = isHalf ? laid.map((stay) => ({ ...stay, faces: { ...stay.faces, back: 0 } })) : laid
			return walk({ grid, piece, laid: open, startMinute: path.startMinuteOfDay, rate, fineness }, profile.slice())
		},
	}
}

/** A shell does not bear the dry core that it lies on. */
function gridOf(body: DryingBody): GridOf {
	if (body.type === 'sheet') return 'sheet'
	return body.type === 'sphere' && (body.coreRadiusMm ?? 0) > 0 ? 'shell on a core' : 'body'
}

type LaidStay = Stay & { faces: Faces }

/** Every stay with the faces that are open in it. */
function layFaces(isSheet: boolean, first: Faces, { stays }: DryingPath): LaidStay[] {
	if (stays.length === 0) throw new RangeError('a path needs at least one stay')
	let faces = first
	return stays.map((stay) => {
		faces = stay.faces ?? faces
		return { ...stay, faces: isSheet ? faces : { front: faces.front, back: 0 } }
	})
}

interface Walk {
	grid: Grid
	piece: DryingPiece
	laid: readonly LaidStay[]
	/** Of the day, when the piece is made. */
	startMinute: number
	/** Pace of the paste against the usual one. */
	rate: number
	fineness: Fineness
}

/** The run itself, a step at a time, so that who has seen enough stops it. */
function* walk(terms: Walk, profile: Float64Array): Generator<RunStep, void, undefined> {
	const { grid, laid, fineness } = terms
	const step = createStepper(grid)
	let before = profile
	let after: Float64Array = new Float64Array(before.length)
	const spare = new Float64Array(before.length)
	const read = createProfileReader(grid)
	let stayStart = 0
	for (const [s, stay] of laid.entries()) {
		const stayEnd = stayStart + stay.hours * SEC_PER_HOUR
		const conditionsAt = conditionsOf(terms, stay)
		const longest = Math.min(
			fineness.longestStepSec ?? Infinity,
			stay.climate.type === 'day' ? LONGEST_STEP_BY_DAY_SEC : Infinity,
		)
		let [time, length] = [stayStart, Math.min(fineness.firstStepSec, longest)]
		while (time < stayEnd) {
			const end = Math.min(stayEnd, time + length)
			const conditions = takeStep(step, before, time, end - time, conditionsAt, after)
			const start = time
			const from = before
			yield {
				startSec: start,
				endSec: end,
				before,
				after,
				conditions,
				stay,
				isLastStay: s === laid.length - 1,
				again: (stepSec) => read(spare, takeStep(step, from, start, stepSec, conditionsAt, spare)),
			}
			;[before, after] = [after, before]
			time = end
			length = Math.min(longest, length * fineness.growth)
		}
		stayStart = stayEnd
	}
}

/**
 * One step of the grid under the air of its two stages.
 *
 * @returns the conditions at its end, with which the next one begins
 */
function takeStep(
	step: StepInto,
	from: Float64Array,
	startSec: number,
	stepSec: number,
	conditionsAt: (sec: number) => Conditions,
	out: Float64Array,
): Conditions {
	const atEnd = conditionsAt(startSec + stepSec)
	step(from, stepSec, conditionsAt(startSec + STAGE1_FRACTION * stepSec), atEnd, out)
	return atEnd
}

/** What holds in a stay at a time; made once where the climate is steady. */
function conditionsOf({ piece, startMinute, rate }: Walk, stay: LaidStay): (sec: number) => Conditions {
	const film = { ...toFilm(piece.body), solidsDensity: piece.paste.solidsDensity }
	const here = rate * (stay.pace ?? 1)
	const make = (sec: number): Conditions => {
		const { temperatureC, humidity } = airAt(stay.climate, startMinute + sec / 60)
		const coefficient = here * surfaceCoefficient(temperatureC, stay.movement, film)
		const law = (share: number): SurfaceLaw | undefined => {
			return coefficient * share > 0 ? filmLaw(piece.paste, coefficient * share, humidity) : undefined
		}
		return {
			diffusivity: here * diffusivityAt(piece.paste, temperatureC),
			inner: law(stay.faces.back),
			outer: law(stay.faces.front),
		}
	}
	if (stay.climate.type === 'day') return make
	const always = make(0)
	return () => always
}
