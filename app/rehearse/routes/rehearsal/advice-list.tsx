import { Link, useSearchParams } from 'react-router'
import type { Advice, Change } from '../../../../core/rehearse/advice'
import { longDay } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'

interface AdviceListProps {
	/** Undefined: it is being tried. */
	advice: readonly Advice[] | undefined
	sessions: PlayedCourse['sessions']
	courseId: number
}

/** What would help, the most helpful first, each tried with the same luck. */
export function AdviceList({ advice, sessions, courseId }: AdviceListProps) {
	const helpful = advice?.filter(({ gain, uncertainty }) => gain > uncertainty && gain >= LEAST_GAIN)
	return (
		<section className="sheet" aria-labelledby="helps">
			<h2 id="helps">What would help</h2>
			{!helpful && (
				<p className="soft" role="status">
					Each change is being tried with the same luck.
				</p>
			)}
			{helpful?.length === 0 && <p className="soft">Nothing that can be changed in the room helps by a point.</p>}
			<ul className="advice-list">
				{helpful?.map(({ change, gain, uncertainty }) => (
					<li key={JSON.stringify(change)}>
						<strong>+{Math.round(100 * gain)}</strong> in 100 courses (± {Math.ceil(100 * uncertainty)}):{' '}
						{changeWords(change, sessions)} <ChangeLink change={change} courseId={courseId} />
					</li>
				))}
			</ul>
		</section>
	)
}

/** Courses whose every evening ends on time; less is not worth a change. */
const LEAST_GAIN = 0.01

function changeWords(change: Change, sessions: PlayedCourse['sessions']): string {
	switch (change.kind) {
		case 'tool':
			return `${change.count} of the ${change.name} instead of ${change.count - 1}.`
		case 'assistant':
			return 'somebody who helps beside you.'
		case 'longer evening':
			return `${change.minutes} minutes more on ${longDay(sessions[change.session]?.date ?? '')}.`
	}
}

function ChangeLink({ change, courseId }: { change: Change; courseId: number }) {
	const [search] = useSearchParams()
	switch (change.kind) {
		case 'tool':
			return <Link to={`/stock?kind=tool&name=${encodeURIComponent(change.name)}`}>Say that you have them</Link>
		case 'assistant': {
			const helped = new URLSearchParams(search)
			helped.set('helpers', String(Number(search.get('helpers') ?? 1) + 1))
			return <Link to={`?${helped}`}>Assume it</Link>
		}
		case 'longer evening':
			return <Link to={`/courses/${courseId}/plan`}>Change the session</Link>
	}
}
