/** What a studio minds in a plan: how its strain is weighed, and how much of each session should be spare. */
import { ORDINARY_WEIGHTS, type StrainWeights } from '../problem/instance'

export interface StrainTerms extends StrainWeights {
	/** Of the hands-on minutes of a session, in [0, 0.5]. */
	bufferShare: number
}

/** Common practice, no source. */
export const USUAL_STRAIN_TERMS: StrainTerms = { ...ORDINARY_WEIGHTS, bufferShare: 0.1 }
