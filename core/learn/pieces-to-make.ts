/** How many pieces a student of a group makes so that enough survive: by what past classes lost, else by the design's word. */
import type { Pace } from '../course/course'
import { groupBreakage } from '../course/pace'
import type { ResolvedPart } from '../design/resolve-design'
import { piecesToMake } from '../materials/spares'
import { sparesFor } from './breakage-belief'

/** @param confidence - that one student has enough, in (0, 1) */
export function piecesOfGroup(pace: Pace, confidence: number): (part: ResolvedPart, needed: number) => number {
	return ({ breakage, lostBefore }, needed) => {
		if (!lostBefore) return piecesToMake(needed, groupBreakage(breakage, pace), confidence)
		return needed + sparesFor(lostBefore, { pieces: needed, level: pace, stated: lostBefore.stated }, confidence)
	}
}
