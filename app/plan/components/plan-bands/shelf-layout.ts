/** What stands ready before the first bench: made ahead or brought dry, each with its own drying. Pure: coordinates. */
import { sourcesOf, type PlanStory } from '../../../../core/plan/tell/plan-story'
import type { CourseWait } from '../../../../core/plan/compile/compiled-course'
import { duration } from '../../../shared/words/times'
import { waitSpan } from '../../../drying/words/waits'
import { nameOfTask } from '../../words/tasks'
import { measureWords, type Face } from './measure-words'

export interface ShelfItem {
	taskId: string
	/** Made in class too, and brought dry for it. */
	isBrought: boolean
	title: string
	/** Her minutes, and how long it dries. */
	note: string
	minutes: number
	x: number
	y: number
	width: number
	/** Where the class goes on with it: session from 0, minute of its day; absent: nothing of class does. */
	neededAt?: { session: number; minute: number }
}

export interface PlacedShelf {
	y: number
	height: number
	items: ShelfItem[]
}

export const SHELF_ITEM_HEIGHT = 42
const ROW_GAP = 6
const ITEM_GAP = 10
const MARGIN = 12
const INSET = 6
/** Of a shelf on which nothing stands, px. */
const EMPTY_HEIGHT = 34
/** As the styles have them. */
const TITLE_FACE: Face = { sizePx: 13, isBold: true }
const NOTE_FACE: Face = { sizePx: 12 }

/**
 * @param left - where the shelf begins, px
 * @param width - of the shelf, px
 */
export function layOutShelf({ ahead, swaps, sessions }: PlanStory, left: number, width: number): PlacedShelf {
	const sources = sourcesOf({ sessions })
	const brought = swaps.map(({ fromTaskId, prepMinutes, wait, neededAt }) => ({
		taskId: fromTaskId,
		isBrought: true,
		title: nameOfTask(sources.get(fromTaskId)),
		note: noteOf('bring dry', prepMinutes, wait),
		minutes: prepMinutes,
		neededAt,
	}))
	const made = ahead.map(({ taskId, source, minutes, dries, neededAt }) => ({
		taskId,
		isBrought: false,
		title: nameOfTask(source),
		note: noteOf(source.type === 'demo' ? 'on a hand-out' : 'make ahead', minutes, dries?.wait),
		minutes,
		...(neededAt && { neededAt }),
	}))
	let x = left + INSET
	let y = INSET
	const items = [...brought, ...made].map((item): ShelfItem => {
		const words = Math.max(measureWords(item.title, TITLE_FACE), measureWords(item.note, NOTE_FACE))
		const own = Math.min(width - 2 * INSET, words + 2 * MARGIN)
		if (x > left + INSET && x + own > left + width - INSET) {
			x = left + INSET
			y += SHELF_ITEM_HEIGHT + ROW_GAP
		}
		const placed = { ...item, x, y, width: own }
		x += own + ITEM_GAP
		return placed
	})
	return { y: 0, height: items.length === 0 ? EMPTY_HEIGHT : y + SHELF_ITEM_HEIGHT + INSET, items }
}

/** 'make ahead, 35 min, then 26–34 h'. */
function noteOf(what: string, minutes: number, wait: CourseWait | undefined): string {
	const dries = wait && (wait.plannedMinutes === undefined ? 'dry it in drier air' : `then ${waitSpan(wait)}`)
	return [what, ...(minutes > 0 ? [duration(minutes)] : []), ...(dries ? [dries] : [])].join(', ')
}
