/** Where stages stand over the clock, in px of the drawing. Pure. */
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { DRYING_STAGES, type DryingStage } from '../../../../core/vocabulary/drying-stage'
import { clock } from '../../../shared/words/times'

export const CHART = { width: 860, left: 96, right: 826, top: 22, row: 24 }

/** Steps of the clock that read well, hours. */
const STEPS = [0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 96, 168]
const MOST_TICKS = 9
/** A stage that comes much later than the piece is wanted is cut off there. */
const FURTHEST = 3
const NARROWEST = 5

export interface StageBar {
	stage: DryingStage
	y: number
	x: number
	width: number
	/** Sure only after the piece is wanted, or never. */
	isLate: boolean
}

export interface StageScale {
	height: number
	bars: StageBar[]
	ticks: { x: number; label: string }[]
	wantedX: number
}

/**
 * @param start - of the drying, minutes after midnight
 * @param wantedHours - from then until it is wanted, above 0
 * @returns a bar from even odds to the time to plan with for each stage that is ever reached
 */
export function scaleStages(stages: DryingAnswer['stages'], start: number, wantedHours: number): StageScale {
	const shown = DRYING_STAGES.filter((stage) => stage !== 'through')
	const ends = shown.flatMap((stage) => stages[stage].plan ?? stages[stage].p50 ?? [])
	const last = Math.max(1, wantedHours * 1.05, Math.min(Math.max(0, ...ends) * 1.08, wantedHours * FURTHEST))
	const step = STEPS.find((candidate) => last / candidate <= MOST_TICKS) ?? last / MOST_TICKS
	const toX = (hours: number) => CHART.left + (Math.min(hours, last) / last) * (CHART.right - CHART.left)
	return {
		height: CHART.top + shown.length * CHART.row + 22,
		bars: shown.flatMap((stage, s) => {
			const { p50, plan } = stages[stage]
			if (p50 === undefined) return []
			const x = toX(p50)
			const width = Math.max(NARROWEST, toX(plan ?? last) - x)
			return [{ stage, y: CHART.top + s * CHART.row, x, width, isLate: (plan ?? Infinity) > wantedHours }]
		}),
		ticks: Array.from({ length: Math.floor(last / step) + 1 }, (_, t) => ({
			x: toX(t * step),
			label: dayClock(start, t * step),
		})),
		wantedX: toX(wantedHours),
	}
}

/** '23:40', '09:15 +1'. */
function dayClock(start: number, hours: number): string {
	const minutes = start + Math.round(hours * 60)
	const days = Math.floor(minutes / 1440)
	return days === 0 ? clock(minutes) : `${clock(minutes)} +${days}`
}
