/**
 * What broke in the demo's past classes, the paste that was weighed back, and the wires that were counted back, from the same hidden truth as their minutes.
 * All of it is made up.
 */
import { groupBreakage } from '../core/course/pace'
import { packClassKit, type ClassKit } from '../core/kit/class-kit'
import { sumOfKits } from '../core/kit/bill'
import { isShared } from '../core/kit/tool-needs'
import { totalPaste, totalPasteByKind, type PasteTotal } from '../core/kit/paste-totals'
import { totalWires } from '../core/kit/wire-bill'
import { learntPartKey } from '../core/learn/learnt'
import { pasteUseKey } from '../core/learn/paste-use'
import type { SeenInClass } from '../core/learn/seen'
import { createRng, type Rng } from '../core/random'
import { PASTE_CLASS_SD, PASTE_KIND_SD, PASTE_USE_SD } from '../core/vocabulary/spreads'
import { truthOf, type PastClass, type PlannedDemo } from './demo-truth'

/** Of how often pieces of a part really break against what its design states. */
const BREAKAGE_SD = 0.4
/** Of wires that are handed out, how many come back. */
const SPARE_WIRES = 0.06
/** Of those who have no tool of their own in hand, how many stand and wait when most do. */
const WAITING_SHARE = 0.3

export function playPastPieces(
	{ course, designs, compiled, plan, owned = {} }: PlannedDemo,
	{ classId, first: date, seed }: PastClass,
): SeenInClass[] {
	const rng = createRng(seed)
	const kit = packClassKit(course, designs, { compiled, plan, studio: { stockLengthsMm: [360], owned } })
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
		...pastesWeighed(kit).map(({ paste, kind, reckonedG }): SeenInClass => {
			const key = pasteUseKey(paste, kind)
			const ofKind = kind === undefined ? 1 : truthOf(`paste ${key}`, PASTE_KIND_SD)
			const truth = truthOf(`paste ${paste}`, PASTE_USE_SD) * ofKind
			const usedG = Math.round(reckonedG * truth * Math.exp(PASTE_CLASS_SD * normal(rng)))
			return {
				...{ kind: 'paste', className: course.name },
				observation: { id: `${classId} ${key}`, ...common, paste, ...(kind && { kind }), reckonedG, usedG },
			}
		}),
		...totalWires(kit.wires).map(({ wire, handed }): SeenInClass => {
			const used = Math.max(1, handed - countOf(handed, SPARE_WIRES, rng))
			return {
				...{ kind: 'wires', className: course.name },
				observation: { id: `${classId} ${wire}`, ...common, wire, handed, used },
			}
		}),
		...kit.tools.filter(isShared).map(({ tool, ownedCount = 0, studentCount }): SeenInClass => {
			const waiting = countOf(studentCount - ownedCount, WAITING_SHARE, rng)
			return {
				...{ kind: 'queue', className: course.name },
				observation: { id: `${classId} waits for ${tool}`, ...common, tool, waiting, studentCount },
			}
		}),
	]
}

/** By kind of piece, where its colours say which. */
function pastesWeighed({ paste }: Pick<ClassKit, 'paste'>): PasteTotal[] {
	const kinds = totalPasteByKind(paste)
	return totalPaste(paste).flatMap((whole) => {
		const own = kinds.filter((one) => one.paste === whole.paste)
		return own.length > 0 ? own : [whole]
	})
}

/** How many of so many. */
function countOf(made: number, chance: number, rng: Rng): number {
	return Array.from({ length: made }, () => Number(rng() < chance)).reduce((sum, one) => sum + one, 0)
}

function normal(rng: Rng): number {
	return Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng())
}
