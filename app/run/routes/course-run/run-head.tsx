import { Link } from 'react-router'
import { useChance } from '../../device/use-chance'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { behindWords, endWords, hereWords, networkWords } from '../../words/run'
import { clock } from '../../../shared/words/times'

/** The clock, how far behind, who is here, and whether all is kept. */
export function RunHead({ page, run }: { page: RunPage; run: Run }) {
	const { state, device, projection, nowMin } = run
	const chance = useChance(page, run)
	const isGoingOn = state.opened !== undefined && state.closed === undefined
	return (
		<header className="run-head">
			<h1 className="hidden-words">
				{page.courseName}, {page.sessionName}
			</h1>
			<strong className="run-clock">{clock(Math.floor(nowMin))}</strong>
			<span className="run-behind" role="status">
				{isGoingOn && behindWords(projection)}
				{chance !== undefined && <span className="run-chance"> {endWords(chance)}</span>}
			</span>
			<span className="run-about">
				<Link to={`/courses/${page.courseId}/run`}>{page.courseName}</Link> · {page.sessionName} of {page.sessionCount}{' '}
				· {hereWords(state, page.students.length)} · {networkWords(device)}
			</span>
		</header>
	)
}
