/** What a review of a design finds: a reason, and a fix to accept where there is one. None of it blocks. */
import type { Design } from '../design'
import type { Picks, ResolvedDesign } from '../resolve-design'
import type { GaugeStandard } from '../../materials/wire-gauge'

export interface Finding {
	/** Unique in a review. */
	id: string
	/** What it is about, by id. */
	part?: string
	step?: string
	layer?: number
	/** One sentence. */
	message: string
	/** Why it matters, and by which figures. */
	reason: string
	/** A press that mends it; absent: only a person can. */
	fix?: { label: string; apply: (design: Design) => Design }
}

export interface ReviewTerms {
	design: Design
	/** Under the options shown. */
	resolved: ResolvedDesign
	picks: Picks
	standard: GaugeStandard
}

export type ReviewRule = (terms: ReviewTerms) => Finding[]
