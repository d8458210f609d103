/** The stages as bars over the clock, from even odds to 9 in 10, with the moment when the piece is wanted. */
import { BarController, BarElement, CategoryScale, Chart, LinearScale, type Plugin } from 'chart.js'
import { Bar } from 'react-chartjs-2'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { toMinutes, wantedHoursOf } from '../../ask-drying'
import type { DryingAddress } from '../../drying-address'
import { STAGE_WORDS } from '../../words/drying'
import { clock } from '../../../shared/words/times'

Chart.register(BarController, BarElement, CategoryScale, LinearScale)

const INK = '#2a2431'
const SOFT = '#625b68'
const PLUM = '#7b3b5e'
const STRAW = '#e2c46e'
const PERSIMMON = '#c8502a'
/** Steps of the clock that read well, hours. */
const STEPS = [0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 96, 168]

export default function StageChart({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const { stages } = answer
	const start = toMinutes(address.start)
	const wantedHours = wantedHoursOf(address)
	const shown = DRYING_STAGES.filter((stage) => stage !== 'through')
	const ends = shown.flatMap((stage) => stages[stage].p90 ?? stages[stage].p50 ?? [])
	const last = Math.max(1, wantedHours * 1.05, Math.min(Math.max(0, ...ends) * 1.08, wantedHours * 3))
	const step = STEPS.find((candidate) => last / candidate <= 9) ?? 168
	const isLate = (stage: (typeof shown)[number]) => (stages[stage].p90 ?? Infinity) > wantedHours
	return (
		<Bar
			aria-hidden="true"
			data={{
				labels: shown.map((stage) => STAGE_WORDS[stage]),
				datasets: [
					{
						data: shown.map((stage): [number, number] | null => {
							const { p50, p90 } = stages[stage]
							return p50 === undefined ? null : [p50, p90 ?? last]
						}),
						backgroundColor: shown.map((stage) => (isLate(stage) ? '#fbe9e1' : STRAW)),
						borderColor: shown.map((stage) => (isLate(stage) ? PERSIMMON : '#a88a2c')),
						borderWidth: shown.map((stage) => (stage === address.stage ? 2.5 : 1)),
						borderSkipped: false,
						borderRadius: 6,
						barThickness: 15,
						minBarLength: 3,
					},
				],
			}}
			options={{
				indexAxis: 'y',
				animation: false,
				maintainAspectRatio: false,
				events: [],
				layout: { padding: { top: 16 } },
				scales: {
					x: {
						type: 'linear',
						min: 0,
						max: last,
						ticks: {
							stepSize: step,
							maxRotation: 0,
							color: SOFT,
							font: { family: 'Figtree Variable', size: 12 },
							callback: (value) => dayClock(start, Number(value)),
						},
						grid: { color: '#e6dfd6' },
					},
					y: { ticks: { color: INK, font: { family: 'Figtree Variable', size: 13 } }, grid: { display: false } },
				},
			}}
			plugins={[wantedLine(wantedHours, address.by)]}
		/>
	)
}

function dayClock(start: number, hours: number): string {
	const minutes = start + Math.round(hours * 60)
	const days = Math.floor(minutes / 1440)
	return days === 0 ? clock(minutes) : `${clock(minutes)} +${days}`
}

/** A line where the piece is wanted, with its time. */
function wantedLine(hours: number, by: string): Plugin<'bar'> {
	return {
		id: 'wanted',
		afterDatasetsDraw: ({ ctx, chartArea, scales }) => {
			const x = scales['x']?.getPixelForValue(hours) ?? 0
			ctx.save()
			ctx.strokeStyle = PLUM
			ctx.lineWidth = 2
			ctx.beginPath()
			ctx.moveTo(x, chartArea.top - 2)
			ctx.lineTo(x, chartArea.bottom)
			ctx.stroke()
			ctx.fillStyle = PLUM
			ctx.font = '600 12px "Figtree Variable", sans-serif'
			ctx.textAlign = x > chartArea.right - 60 ? 'right' : 'left'
			ctx.fillText(`wanted ${by}`, x, chartArea.top - 5)
			ctx.restore()
		},
	}
}
