/** Real minutes against foretold ones, from class to class, with the band of what was claimed; words beside it say the same. */
import { Chart, LinearScale, LineElement, LogarithmicScale, PointElement, ScatterController } from 'chart.js'
import { Scatter } from 'react-chartjs-2'
import { usePalette } from '../../shared/theme/use-palette'

Chart.register(LinearScale, LineElement, LogarithmicScale, PointElement, ScatterController)

const FONT = { family: 'Figtree Variable', size: 12 }
/** Factors that are always in view, and the widest. */
const [LEAST, MOST] = [0.4, 2.5]
const WIDEST = 5

/** Factors on what the picture takes for one. */
export interface RatioDot {
	real: number
	/** That nine in ten were said to lie between. */
	from: number
	to: number
}

interface RatioChartProps {
	/** Of each class in order. */
	classes: readonly (readonly RatioDot[])[]
	across: string
	up: string
}

export default function RatioChart({ classes, across, up }: RatioChartProps) {
	const { leaf, persimmon, hairline, 'soft-ink': soft } = usePalette()
	const values = classes.flatMap((own) => own.flatMap(({ real, from, to }) => [real, from, to]))
	const most = Math.min(WIDEST, Math.max(MOST, ...values))
	const least = Math.max(1 / WIDEST, Math.min(LEAST, ...values))
	const within = (value: number) => Math.min(most, Math.max(least, value))
	const dots = classes.flatMap((own, x) => own.map(({ real }) => ({ x: x + 1, y: within(real) })))
	const edge = (side: 'from' | 'to') => {
		return classes.flatMap((own, x) => {
			const sorted = own.map((dot) => dot[side]).toSorted((a, b) => a - b)
			const middle = sorted[Math.floor(sorted.length / 2)]
			return middle === undefined ? [] : [{ x: x + 1, y: within(middle) }]
		})
	}
	const line = { borderColor: leaf, borderWidth: 2, pointRadius: 0, showLine: true }
	return (
		<Scatter
			aria-hidden="true"
			data={{
				datasets: [
					{ label: 'real', data: dots, backgroundColor: persimmon, pointRadius: 3 },
					{ label: 'from', data: edge('from'), ...line },
					{ label: 'to', data: edge('to'), ...line },
				],
			}}
			options={{
				animation: false,
				maintainAspectRatio: false,
				events: [],
				scales: {
					x: {
						min: 0.5,
						max: classes.length + 0.5,
						title: { display: true, text: across, color: soft, font: FONT },
						ticks: { color: soft, font: FONT, precision: 0, includeBounds: false },
						grid: { display: false },
					},
					y: {
						type: 'logarithmic',
						min: least,
						max: most,
						title: { display: true, text: up, color: soft, font: FONT },
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
