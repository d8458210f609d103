import { Link } from 'react-router'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { behindWords, endWords, networkWords } from '../../words/run'
import { clock } from '../../../shared/words/times'
import { RunPeople } from './run-people'

/** The clock, how far behind, who is here, and whether all is kept. */
export function RunHead({ page, run, chance }: { page: RunPage; run: Run; chance: number | undefined }) {
	const { state, device, projection, nowMin } = run
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
				{/* Asked of the server as a page: without a network the device has it. */}
				<Link to={`/courses/${page.courseId}/run`} reloadDocument>
					{page.courseName}
				</Link>{' '}
				· {page.sessionName} of {page.sessionCount} · {networkWords(device)}
			</span>
			<RunPeople page={page} run={run} />
		</header>
	)
}
