/**
 * Many predictions at once: ln t of every stage, interpolated between nodes in ln size, humidity and temperature, for
 * one paste in one air movement. Nodes are solved when they are first asked for. Near a stage's cut-off, and outside
 * the nodes, the solver itself answers.
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import type { AirMovement } from './air-film'
import { steadyPath, type Air } from './climate'
import type { DryingPiece } from './drying-piece'
import { predictStages, type StageHours } from './predict-stages'
import { cutOffHumidity } from './stages'

/**
 * Between sizes of this ratio times are close to straight lines in the logarithms of size and time; with
 * these steps of humidity and temperature 95 of 100 values between are within 2 % of the run itself.
 */
const SIZE_RATIO = 1.3
const HUMIDITY_STEP = 0.025
const TEMPERATURES_C = [15, 20, 25, 30]
const MIN_HUMIDITY = 0.25
/** Closer to the cut-off than this, straight lines in ln t are no longer good enough. */
const CUT_OFF_MARGIN = 0.05

export interface DryingTable {
	/** Hours until the stage, or undefined: never in such air. */
	hours: (stage: DryingStage, sizeMm: number, air: Air) => number | undefined
	/** Solves every node now instead of when it is first asked for; how many are done, after each row of them. */
	fill: () => Generator<{ done: number; total: number }, void, undefined>
}

/**
 * @param pieceOf - the piece of a size in mm: the thickness of a sheet, the radius of a body
 * @param sizes - the range that is tabled
 */
export function createDryingTable(
	pieceOf: (sizeMm: number) => DryingPiece,
	movement: AirMovement,
	sizes: { minMm: number; maxMm: number } = { minMm: 0.3, maxMm: 4.2 },
): DryingTable {
	const { paste } = pieceOf(sizes.minMm)
	const sizeCount = Math.ceil(Math.log(sizes.maxMm / sizes.minMm) / Math.log(SIZE_RATIO)) + 1
	const highest = cutOffHumidity(paste, 'skin')
	const humidityCount = Math.max(2, Math.floor((highest - MIN_HUMIDITY) / HUMIDITY_STEP) + 1)
	const temperatureCount = TEMPERATURES_C.length
	const stageCount = DRYING_STAGES.length
	const cutOffs = DRYING_STAGES.map((stage) => cutOffHumidity(paste, stage))
	const logHours = new Float64Array(sizeCount * humidityCount * temperatureCount * stageCount)
	const isSolved = new Uint8Array(sizeCount * humidityCount * temperatureCount)

	const solve = (sizeMm: number, air: Air): StageHours => predictStages(pieceOf(sizeMm), steadyPath(air, movement))
	const nodeOf = (s: number, h: number, t: number) => {
		const node = (s * humidityCount + h) * temperatureCount + t
		if (isSolved[node] === 0) {
			isSolved[node] = 1
			const air = { temperatureC: TEMPERATURES_C[t] ?? 0, humidity: MIN_HUMIDITY + h * HUMIDITY_STEP }
			const hours = solve(sizes.minMm * SIZE_RATIO ** s, air)
			DRYING_STAGES.forEach((stage, i) => (logHours[node * stageCount + i] = Math.log(hours[stage] ?? NaN)))
		}
		return node * stageCount
	}
	const logSize = Math.log(sizes.minMm)
	const logRatio = Math.log(SIZE_RATIO)
	const temperatureStep = (TEMPERATURES_C[1] ?? 0) - (TEMPERATURES_C[0] ?? 0)

	return {
		hours: (stage, sizeMm, air) => {
			const stageIndex = DRYING_STAGES.indexOf(stage)
			const s = (Math.log(sizeMm) - logSize) / logRatio
			const h = (air.humidity - MIN_HUMIDITY) / HUMIDITY_STEP
			const t = (air.temperatureC - (TEMPERATURES_C[0] ?? 0)) / temperatureStep
			const isInside =
				s >= 0 && s <= sizeCount - 1 && h >= 0 && h <= humidityCount - 1 && t >= 0 && t <= temperatureCount - 1
			if (!isInside || air.humidity > (cutOffs[stageIndex] ?? 0) - CUT_OFF_MARGIN)
				return air.humidity >= (cutOffs[stageIndex] ?? 0) ? undefined : solve(sizeMm, air)[stage]
			const [s0, h0, t0] = [
				Math.min(sizeCount - 2, Math.floor(s)),
				Math.min(humidityCount - 2, Math.floor(h)),
				Math.min(temperatureCount - 2, Math.floor(t)),
			]
			let sum = 0
			for (let corner = 0; corner < 8; corner++) {
				const [ds, dh, dt] = [corner & 1, (corner >> 1) & 1, corner >> 2]
				const weight = (ds ? s - s0 : 1 - s + s0) * (dh ? h - h0 : 1 - h + h0) * (dt ? t - t0 : 1 - t + t0)
				if (weight > 0) sum += weight * (logHours[nodeOf(s0 + ds, h0 + dh, t0 + dt) + stageIndex] ?? NaN)
			}
			return Math.exp(sum)
		},
		*fill() {
			for (let s = 0; s < sizeCount; s++) {
				for (let h = 0; h < humidityCount; h++) for (let t = 0; t < temperatureCount; t++) nodeOf(s, h, t)
				yield { done: (s + 1) * humidityCount * temperatureCount, total: isSolved.length }
			}
		},
	}
}
