import { Button } from 'antd'
import { lazy, Suspense } from 'react'
import { Form, useSubmit } from 'react-router'
import type { BadLine } from '../../../../core/readings/air-lines'
import { CsvFile } from '../../../shared/components/csv-file'
import { PlainNumber } from '../../../shared/components/fields/plain-fields'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { problemsByField, type Refusal } from '../../../shared/http/refusal'
import { count } from '../../../shared/words/times'
import type { PlaceData } from './load-place.server'

const ReadingsChart = lazy(() => import('./readings-chart'))

type Answer = { told: string } | { imported: number; known: number; bad: readonly BadLine[] } | Refusal | undefined

/** So far from the climate set by hand a reading is worth a word. */
const FAR_PERCENT = 8

/** The hygrometer: now, over the last days, and readings that come by hand or in a file. */
export function ReadingsPanel({ data, answer }: { data: PlaceData; answer: unknown }) {
	const { history, readingCount, canTakeDay, place } = data
	const isAlive = useHydrated()
	const submit = useSubmit()
	const said = answer as Answer
	const problemOf = problemsByField(said && 'problems' in said ? said.problems : [])
	return (
		<section className="sheet stack place-readings" aria-labelledby="readings-head">
			<h2 id="readings-head">Hygrometer</h2>
			<LiveReading data={data} />
			{history.length > 1 && (
				<>
					<div className="readings-chart">
						{isAlive && (
							<Suspense fallback={null}>
								<ReadingsChart history={history} />
							</Suspense>
						)}
					</div>
					<p className="soft small">{rangeWords(history)}</p>
				</>
			)}
			<Told said={said} />
			<TypedReading problem={problemOf('temperatureC') ?? problemOf('humidity')} />
			<div className="row reading-file">
				<CsvFile
					label="Readings from a file…"
					onText={(text) => void submit({ intent: 'import', text }, { method: 'post' })}
				/>
				<span className="soft small">CSV: time, °C, %</span>
			</div>
			{problemOf('text') && (
				<p className="field-problem" role="alert">
					{problemOf('text')}
				</p>
			)}
			{said && 'imported' in said && <ImportReport imported={said.imported} known={said.known} bad={said.bad} />}
			{readingCount > 0 && <TakeDay version={place.version} canTakeDay={canTakeDay} />}
		</section>
	)
}

function LiveReading({ data: { live, place } }: { data: PlaceData }) {
	if (!live) return <p className="soft">No reading yet. Plans are reckoned with the climate set by hand.</p>
	const isFar = !live.isOld && Math.abs(100 * live.humidity - place.humidity) >= FAR_PERCENT
	return (
		<div>
			<p className="place-air">
				{live.temperatureC.toFixed(1)} °C <span>{Math.round(100 * live.humidity)} %</span>
			</p>
			<p className={live.isOld ? 'reading is-old' : 'soft'}>
				{live.isOld ? `Old: ${live.ageWords}. Plans go on with the climate set by hand.` : live.ageWords}
			</p>
			{isFar && (
				<p>
					You plan with {place.humidity} % on the mean: if this is usual, take the measured day as the climate below.
				</p>
			)}
		</div>
	)
}

/** What was done, or why it was not, where no field is to blame. */
function Told({ said }: { said: Answer }) {
	if (said && 'told' in said) {
		return (
			<p role="status" className="told">
				{said.told}
			</p>
		)
	}
	if (!said || !('message' in said) || said.problems.some(({ path }) => path !== '')) return null
	return (
		<p role="alert" className="alert">
			{said.problems[0]?.message ?? said.message}
		</p>
	)
}

function TypedReading({ problem }: { problem: string | undefined }) {
	return (
		<Form method="post" className="reading-form">
			<PlainNumber name="temperatureC" label="Temperature" unit="°C" step={0.1} isRequired />
			<PlainNumber name="humidity" label="Humidity" unit="%" step={0.5} isRequired />
			<Button htmlType="submit" name="intent" value="type-in">
				Note a reading now
			</Button>
			{problem !== undefined && (
				<p className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</Form>
	)
}

function TakeDay({ version, canTakeDay }: { version: number; canTakeDay: boolean }) {
	return (
		<Form method="post">
			<input type="hidden" name="version" value={version} />
			<Button htmlType="submit" name="intent" value="take-day" disabled={!canTakeDay}>
				Take the measured day as the climate
			</Button>
			<p className="soft small">
				{canTakeDay
					? 'The median of each hour over the last two weeks.'
					: 'Needs readings of at least 18 hours of the day.'}
			</p>
		</Form>
	)
}

function ImportReport({ imported, known, bad }: { imported: number; known: number; bad: readonly BadLine[] }) {
	return (
		<div role="status" className={bad.length > 0 ? 'alert' : 'told'}>
			<p>
				{count(imported, 'reading')} taken
				{known > 0 && `, ${known} of minutes that have one already or too long ago`}
				{bad.length > 0 && `, ${count(bad.length, 'line')} left out:`}
			</p>
			{bad.length > 0 && (
				<ul>
					{bad.map(({ line, text, problem }) => (
						<li key={line}>
							line {line}: {problem} <span className="soft">({text})</span>
						</li>
					))}
				</ul>
			)}
		</div>
	)
}

function rangeWords(history: PlaceData['history']): string {
	const of = (value: (reading: PlaceData['history'][number]) => number) => {
		const values = history.map(value)
		return [Math.min(...values), Math.max(...values)] as const
	}
	const [coldest, warmest] = of(({ temperatureC }) => temperatureC)
	const [driest, dampest] = of(({ humidity }) => humidity)
	return `Over three days ${coldest.toFixed(1)}–${warmest.toFixed(1)} °C, ${Math.round(100 * driest)}–${Math.round(100 * dampest)} % humidity.`
}
