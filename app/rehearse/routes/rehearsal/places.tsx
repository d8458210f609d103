import { Button } from 'antd'
import { useState } from 'react'
import type { PlaceFigures, RehearsalFigures } from '../../../../core/rehearse/rehearsal'
import type { DataColumn } from '../../../shared/components/data-table/data-column'
import { PlainTable } from '../../../shared/native/plain-table'
import { shortDay } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'

interface PlacesProps {
	figures: RehearsalFigures
	sessions: PlayedCourse['sessions']
	/** By place; shown when they are asked for. */
	studentNames: readonly string[]
}

type Place = PlaceFigures & { number: number }

const LEAVES_OUT: DataColumn<Place> = {
	name: 'Leaves an extra out',
	isNumber: true,
	cell: ({ leavesOut }) => `${Math.round(100 * leavesOut)} %`,
}

/** Each place, without names: how often it is done by the close, and what is left where it is not. */
export function Places({ figures, sessions, studentNames }: PlacesProps) {
	const [isNamed, setIsNamed] = useState(false)
	const columns: DataColumn<Place>[] = [
		{
			name: 'Place',
			cell: ({ number }) => (isNamed ? (studentNames[number - 1] ?? number) : number),
			isHead: true,
		},
		...sessions.map(({ date }, s): DataColumn<Place> => ({
			name: shortDay(date),
			isNumber: true,
			cell: ({ done, leftMinutes }) => (
				<>
					{Math.round(100 * (done[s]?.share ?? 0))} %
					<span className="soft small"> {Math.round(leftMinutes[s] ?? 0)} min left</span>
				</>
			),
		})),
		...(figures.places.some(({ leavesOut }) => leavesOut > 0) ? [LEAVES_OUT] : []),
		{ name: 'Waits, whole course', isNumber: true, cell: ({ lost }) => `${Math.round(waitsOf(lost))} min` },
	]
	return (
		<section className="sheet" aria-labelledby="places">
			<h2 id="places">Place by place</h2>
			<p className="soft small">
				Done by the close, of the evenings that she is there; minutes left on the average of all. Whoever sits there
				works at the level that is noted for her, or at the course’s.
			</p>
			{studentNames.length > 0 && (
				<p className="no-print">
					<Button aria-pressed={isNamed} onClick={() => setIsNamed(!isNamed)}>
						{isNamed ? 'Without names' : 'Show names'}
					</Button>
				</p>
			)}
			<PlainTable
				label="Done by the close, minutes left and waits"
				columns={columns}
				rows={figures.places.map((place, n) => ({ ...place, number: n + 1 }))}
				keyOf={({ number }) => number}
			/>
		</section>
	)
}

function waitsOf({ paste, show, help, tools }: PlaceFigures['lost']): number {
	return paste + show + help + tools.reduce((sum, minutes) => sum + minutes, 0)
}
