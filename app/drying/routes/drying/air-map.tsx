import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import { MAP_HUMIDITIES, type MapRow } from '../../../../core/drying/humidity-map'
import { airAtStart, wantedHoursOf } from '../../ask-drying'
import { hoursWords, STAGE_WORDS } from '../../words/drying'
import type { DryingData } from './load-drying.server'
import type { DryingAddress } from '../../drying-address'
import type { Drying } from './use-drying'

/** After the last change of a field. */
const DELAY_MS = 150

/** Hours for this piece in every room that she might have, reckoned in a worker. */
export function AirMap({
	address,
	askWorker,
	data,
}: {
	/** That can be answered. */
	address: DryingAddress
	askWorker: Drying['askWorker']
	data: DryingData
}) {
	const [rows, setRows] = useState<readonly MapRow[]>([])
	const [progress, setProgress] = useState<number>()
	const { known } = data
	const { stage } = address
	const asked = JSON.stringify(address)
	useEffect(() => {
		let isStale = false
		const timer = setTimeout(() => {
			const onProgress = proxy((share: number) => !isStale && setProgress(share))
			void askWorker()
				.map(address, known, onProgress)
				.then((found) => {
					if (isStale || !found) return
					setRows(found)
					setProgress(undefined)
				})
		}, DELAY_MS)
		return () => {
			isStale = true
			clearTimeout(timer)
		}
		// eslint-disable-next-line react-hooks/exhaustive-deps -- the text stands for the address
	}, [asked, askWorker, known])
	const wantedHours = wantedHoursOf(address)
	const here = airAtStart(address, known)
	return (
		<section className="sheet" aria-labelledby="map-head">
			<h2 id="map-head">In other air</h2>
			<p className="soft small">
				Hours until this piece is {STAGE_WORDS[stage]}, 9 times in 10, in steady air. Ticked: in time. Ringed: nearest
				to the air it is made in.
			</p>
			{progress !== undefined && (
				<p className="map-progress">
					<progress value={progress} max={1} aria-label="Reckoning the map" /> reckoning {Math.round(100 * progress)} %
				</p>
			)}
			{rows.length === 0 ? (
				progress === undefined && <p className="soft">The map needs scripts, and comes in a moment.</p>
			) : (
				<div className="scroll-x" tabIndex={0} role="region" aria-label="Map of temperature and humidity">
					<table className="air-map">
						<thead>
							<tr>
								<th scope="col">°C</th>
								{MAP_HUMIDITIES.map((humidity) => (
									<th scope="col" key={humidity}>
										{Math.round(100 * humidity)} %
									</th>
								))}
							</tr>
						</thead>
						<tbody>
							{rows.map(({ temperatureC, hours }) => (
								<tr key={temperatureC}>
									<th scope="row">{temperatureC}</th>
									{hours.map((value, i) => {
										const isHere =
											Math.abs(temperatureC - here.temperatureC) <= 1 &&
											Math.abs((MAP_HUMIDITIES[i] ?? 0) - here.humidity) <= 0.025
										return (
											<td key={i} className={cellClass(value, wantedHours, isHere)}>
												{value === undefined ? <span aria-label="never">–</span> : hoursWords(value)}
												{value !== undefined && value <= wantedHours && <span aria-label=", in time"> ✓</span>}
											</td>
										)
									})}
								</tr>
							))}
						</tbody>
					</table>
				</div>
			)}
		</section>
	)
}

function cellClass(hours: number | undefined, wantedHours: number, isHere: boolean): string {
	const state = hours === undefined ? 'is-never' : hours <= wantedHours ? 'is-early' : 'is-late'
	return isHere ? `${state} is-here` : state
}
