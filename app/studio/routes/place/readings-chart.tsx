/** Temperature and humidity over the last days; the words below say the same. */
import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js'
import { Line } from 'react-chartjs-2'
import { usePalette } from '../../../shared/theme/use-palette'
import type { PlaceData } from './load-place.server'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement)

const FONT = { family: 'Figtree Variable', size: 12 }

/** Two lines over the clock, told apart by their dashes too. */
export default function ReadingsChart({ history }: { history: PlaceData['history'] }) {
	const { leaf, persimmon, hairline, 'soft-ink': soft } = usePalette()
	return (
		<Line
			aria-hidden="true"
			data={{
				labels: history.map(({ at }) => at),
				datasets: [
					{
						label: '%',
						yAxisID: 'humidity',
						data: history.map(({ humidity }) => 100 * humidity),
						borderColor: leaf,
						borderWidth: 2.5,
						pointRadius: 0,
					},
					{
						label: '°C',
						yAxisID: 'temperature',
						data: history.map(({ temperatureC }) => temperatureC),
						borderColor: persimmon,
						borderDash: [6, 4],
						borderWidth: 2,
						pointRadius: 0,
					},
				],
			}}
			options={{
				animation: false,
				maintainAspectRatio: false,
				events: [],
				scales: {
					x: {
						ticks: {
							maxTicksLimit: 7,
							maxRotation: 0,
							font: FONT,
							color: soft,
							callback: (_, i) => `${history[i]?.at.slice(11) ?? ''}`,
						},
						grid: { display: false },
					},
					humidity: {
						position: 'left',
						title: { display: true, text: '% humidity, solid', color: leaf, font: FONT },
						ticks: { color: soft },
						grid: { color: hairline },
					},
					temperature: {
						position: 'right',
						title: { display: true, text: '°C, dashed', color: persimmon, font: FONT },
						ticks: { color: soft },
						grid: { display: false },
					},
				},
			}}
		/>
	)
}
