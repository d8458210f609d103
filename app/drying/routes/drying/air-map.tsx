import { Progress } from 'antd'
import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import type { Air } from '../../../../core/drying/climate'
import { MAP_HUMIDITIES, type MapRow } from '../../../../core/drying/humidity-map'
import { airAtStart, wantedHoursOf } from '../../ask-drying'
import { PlainTable } from '../../../shared/native/plain-table'
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
				<div className="map-progress">
					<Progress percent={Math.round(100 * progress)} showInfo={false} aria-label="Reckoning the map" />
					reckoning {Math.round(100 * progress)} %
				</div>
			)}
			{rows.length === 0 ? (
				progress === undefined && <p className="soft">The map needs scripts, and comes in a moment.</p>
			) : (
				<PlainTable
					label="Map of temperature and humidity"
					className="air-map"
					rows={rows}
					keyOf={({ temperatureC }) => temperatureC}
					columns={[
						{ name: '°C', isHead: true, cell: ({ temperatureC }) => temperatureC },
						...MAP_HUMIDITIES.map((humidity, i) => ({
							name: `${Math.round(100 * humidity)} %`,
							cellClass: ({ temperatureC, hours }: MapRow) =>
								cellClass(hours[i], wantedHours, isNear(here, temperatureC, humidity)),
							cell: ({ hours }: MapRow) => <MapCell hours={hours[i]} wantedHours={wantedHours} />,
						})),
					]}
				/>
			)}
		</section>
	)
}

function isNear(here: Air, temperatureC: number, humidity: number): boolean {
	return Math.abs(temperatureC - here.temperatureC) <= 1 && Math.abs(humidity - here.humidity) <= 0.025
}

function MapCell({ hours, wantedHours }: { hours: number | undefined; wantedHours: number }) {
	if (hours === undefined) return <span aria-label="never">–</span>
	return (
		<>
			{hoursWords(hours)}
			{hours <= wantedHours && <span aria-label=", in time"> ✓</span>}
		</>
	)
}

function cellClass(hours: number | undefined, wantedHours: number, isHere: boolean): string {
	const state = hours === undefined ? 'is-never' : hours <= wantedHours ? 'is-early' : 'is-late'
	return isHere ? `${state} is-here` : state
}
