/**
 * What broke in the demo's past classes, and the paste that was weighed back, from the same hidden truth as their minutes.
 * All of it is made up.
 */
import { groupBreakage } from '../core/course/pace'
import { packClassKit } from '../core/kit/class-kit'
import { sumOfKits } from '../core/kit/bill'
import { totalPaste } from '../core/kit/paste-totals'
import { learntPartKey } from '../core/learn/learnt'
import type { SeenInClass } from '../core/learn/seen'
import { createRng, type Rng } from '../core/random'
import { PASTE_CLASS_SD, PASTE_USE_SD } from '../core/vocabulary/spreads'
import { truthOf, type PastClass, type PlannedDemo } from './demo-truth'

/** Of how often pieces of a part really break against what its design states. */
const BREAKAGE_SD = 0.4

export function playPastPieces(planned: PlannedDemo, { classId, first: date, seed }: PastClass): SeenInClass[] {
	const { course, designs, compiled, plan } = planned
	const rng = createRng(seed)
	const kit = packClassKit(course, designs, { compiled, plan, studio: { stockLengthsMm: [360] } })
	const common = { classId, date }
	const parts = kit.lines.filter(({ part, maker }) => part.breakage > 0 && maker === 'students')
	const breakage = [...new Map(parts.map((line) => [learntPartKey(line.designId, line.part.of), line]))]
	return [
		...breakage.map(([part, { part: own, shares }]): SeenInClass => {
			const made = sumOfKits(shares)
			const chance = groupBreakage(own.breakage * truthOf(`breaks ${part}`, BREAKAGE_SD), course.pace)
			const head = { id: `${classId} ${part}`, ...common, part, partName: own.partName, level: course.pace }
			return {
				...{ kind: 'breakage', className: course.name },
				observation: { ...head, stated: own.breakage, made, broken: countOf(made, chance, rng) },
			}
		}),
		...totalPaste(kit.paste).map(({ paste, reckonedG }): SeenInClass => {
			const usedG = Math.round(
				reckonedG * truthOf(`paste ${paste}`, PASTE_USE_SD) * Math.exp(PASTE_CLASS_SD * normal(rng)),
			)
			return {
				...{ kind: 'paste', className: course.name },
				observation: { id: `${classId} ${paste}`, ...common, paste, reckonedG, usedG },
			}
		}),
	]
}

/** How many of so many. */
function countOf(made: number, chance: number, rng: Rng): number {
	return Array.from({ length: made }, () => Number(rng() < chance)).reduce((sum, one) => sum + one, 0)
}

function normal(rng: Rng): number {
	return Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng())
}
