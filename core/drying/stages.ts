/**
 * The stages of drying: a moisture that must be reached down to a depth from the exposed face. Calibrated together with
 * the diffusivities of the pastes. The shell rule ignores weight: a heavy piece needs a thicker shell, so wait longer.
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { waterActivity, type PasteTerms } from './paste-terms'

export interface StageTerms {
	/** kg/kg. */
	moisture: number
	/** m from each exposed face; Infinity: all through. */
	depthM: number
	/** Counts the front face of a sheet alone. */
	isFrontOnly: boolean
	/** What it allows, in the words of the trade. */
	allows: string
}

export const STAGE_TERMS: Record<DryingStage, StageTerms> = {
	skin: { moisture: 0.08, depthM: 4e-5, isFrontOnly: true, allows: 'dry-brush while it is supported' },
	touch: { moisture: 0.07, depthM: 1e-4, isFrontOnly: true, allows: 'dust lightly, cover loosely' },
	set: { moisture: 0.06, depthM: 2.5e-4, isFrontOnly: false, allows: 'take off the former with care' },
	firm: { moisture: 0.05, depthM: 2.5e-4, isFrontOnly: false, allows: 'handle, paint, tape if thin' },
	hard: { moisture: 0.04, depthM: 2.5e-4, isFrontOnly: false, allows: 'assemble, wire up, load' },
	through: { moisture: 0.04, depthM: Infinity, isFrontOnly: false, allows: 'pack and store' },
}

/** Relative humidity from which on the paste never reaches the stage, in (0, 1). */
export function cutOffHumidity(paste: Pick<PasteTerms, 'isothermK'>, stage: DryingStage): number {
	return waterActivity(paste, STAGE_TERMS[stage].moisture)
}

/** A value for every stage. */
export function byStage<T>(value: (stage: DryingStage) => T): Record<DryingStage, T> {
	return Object.fromEntries(DRYING_STAGES.map((stage) => [stage, value(stage)])) as Record<DryingStage, T>
}
