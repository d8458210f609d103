/** Temperature and humidity over the last days; the words below say the same. */
import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js'
import { Line } from 'react-chartjs-2'
import type { PlaceData } from './load-place.server'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement)

const LEAF = '#3e6b52'
const PERSIMMON = '#c8502a'
const FONT = { family: 'Figtree Variable', size: 12 }

export default function ReadingsChart({ history }: { history: PlaceData['history'] }) {
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
						borderColor: LEAF,
						borderWidth: 2.5,
						pointRadius: 0,
					},
					{
						label: '°C',
						yAxisID: 'temperature',
						data: history.map(({ temperatureC }) => temperatureC),
						borderColor: PERSIMMON,
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
							callback: (_, i) => `${history[i]?.at.slice(11) ?? ''}`,
						},
						grid: { display: false },
					},
					humidity: { position: 'left', title: { display: true, text: '% humidity, solid', color: LEAF, font: FONT } },
					temperature: {
						position: 'right',
						title: { display: true, text: '°C, dashed', color: PERSIMMON, font: FONT },
						grid: { display: false },
					},
				},
			}}
		/>
	)
}
