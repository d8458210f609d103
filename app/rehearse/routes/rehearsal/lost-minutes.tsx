import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js'
import { Bar } from 'react-chartjs-2'
import type { LostFigures } from '../../../../core/rehearse/rehearsal'
import type { ScarceTool } from '../../../../core/rehearse/script'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { usePalette } from '../../../shared/theme/use-palette'

Chart.register(BarController, BarElement, CategoryScale, LinearScale)

const FONT = { family: 'Figtree Variable', size: 13 }

/** Where minutes are lost, of one student in the whole course: a picture, and the same in words. */
export function LostMinutes({ lost, tools }: { lost: LostFigures; tools: readonly ScarceTool[] }) {
	const lines = [
		{ what: 'something that dries', minutes: lost.paste },
		{ what: 'a demonstration', minutes: lost.show },
		{ what: 'help', minutes: lost.help },
		...tools.map(({ name }, t) => ({ what: name, minutes: lost.tools[t] ?? 0 })),
	].toSorted((a, b) => b.minutes - a.minutes)
	const isHydrated = useHydrated()
	return (
		<section className="sheet" aria-labelledby="lost">
			<h2 id="lost">Waiting</h2>
			<p className="soft small">Minutes that one student waits in the whole course, on the average.</p>
			<div className="lost-minutes">
				<ul>
					{lines.map(({ what, minutes }) => (
						<li key={what}>
							<b>{minutes < 0.5 ? 'no' : Math.round(minutes)} min</b> for {what}
						</li>
					))}
				</ul>
				{isHydrated && <LostChart lines={lines} />}
			</div>
		</section>
	)
}

function LostChart({ lines }: { lines: readonly { what: string; minutes: number }[] }) {
	const { plum, hairline, 'soft-ink': soft } = usePalette()
	return (
		<div className="lost-chart">
			<Bar
				aria-hidden="true"
				data={{
					labels: lines.map(({ what }) => what),
					datasets: [{ data: lines.map(({ minutes }) => minutes), backgroundColor: plum, barThickness: 18 }],
				}}
				options={{
					indexAxis: 'y',
					animation: false,
					maintainAspectRatio: false,
					events: [],
					scales: {
						x: { ticks: { font: FONT, color: soft }, grid: { color: hairline } },
						y: { ticks: { font: FONT, color: soft }, grid: { display: false } },
					},
				}}
			/>
		</div>
	)
}
