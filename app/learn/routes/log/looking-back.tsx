/** Each step that was taught against what was foretold of it, from class to class; the sentence above says the same. */
import { Chart, LinearScale, LineElement, LogarithmicScale, PointElement, ScatterController } from 'chart.js'
import { Scatter } from 'react-chartjs-2'
import { usePalette } from '../../../shared/theme/use-palette'
import type { LoggedClass } from '../../load-log.server'

Chart.register(LinearScale, LineElement, LogarithmicScale, PointElement, ScatterController)

const FONT = { family: 'Figtree Variable', size: 12 }

export default function LookingBack({ classes }: { classes: readonly LoggedClass[] }) {
	const { leaf, persimmon, hairline, 'soft-ink': soft } = usePalette()
	const days = classes.toReversed().map(({ occasions }) => occasions.flatMap(toRatio))
	const dots = days.flatMap((ratios, x) => ratios.map(({ real }) => ({ x: x + 1, y: real })))
	const edge = (side: 0 | 1) => {
		return days.flatMap((ratios, x) => {
			const sorted = ratios.map(({ ninety }) => ninety[side]).toSorted((a, b) => a - b)
			const middle = sorted[Math.floor(sorted.length / 2)]
			return middle === undefined ? [] : [{ x: x + 1, y: middle }]
		})
	}
	const line = { borderColor: leaf, borderWidth: 2, pointRadius: 0, showLine: true }
	return (
		<Scatter
			aria-hidden="true"
			data={{
				datasets: [
					{ label: 'real', data: dots, backgroundColor: persimmon, pointRadius: 3 },
					{ label: 'from', data: edge(0), ...line },
					{ label: 'to', data: edge(1), ...line },
				],
			}}
			options={{
				animation: false,
				maintainAspectRatio: false,
				events: [],
				scales: {
					x: {
						title: { display: true, text: 'evening after evening', color: soft, font: FONT },
						ticks: { color: soft, font: FONT },
						grid: { display: false },
					},
					y: {
						type: 'logarithmic',
						min: 0.4,
						max: 2.5,
						title: { display: true, text: 'real against foretold; lines: nine in ten', color: soft, font: FONT },
						ticks: {
							color: soft,
							font: FONT,
							callback: (value) => ([0.5, 1, 2].includes(Number(value)) ? `${value} ×` : ''),
						},
						grid: { color: hairline },
					},
				},
			}}
		/>
	)
}

/** Of what is known to the minute. */
function toRatio({ from, to, predicted, ninety }: LoggedClass['occasions'][number]) {
	if (predicted === undefined || !ninety || to === null || from !== to) return []
	return [{ real: to / predicted, ninety: [ninety[0] / predicted, ninety[1] / predicted] as const }]
}
