import { Link } from 'react-router'
import { proofWords } from '../../words/proof'
import { duration } from '../../../shared/words/times'
import type { PlanData } from './load-plan.server'
import { nameOfTask } from '../../words/tasks'
import { WaysOut } from './ways-out'

/** What is missing where a course does not fit, and what would help. */
export function MisfitNotice({ plan }: { plan: PlanData }) {
	const { story, late, courseId, hopeless, tight, status } = plan
	const shortfall = story?.shortfall
	return (
		<section className="alert misfit" aria-labelledby="misfit">
			<h2 id="misfit">{headOf(plan, shortfall?.minutes)}</h2>
			{shortfall ? (
				<p>
					In the best plan so far, {duration(shortfall.workMinutes)} of work
					{shortfall.dryingMinutes > 0 && ` and ${duration(shortfall.dryingMinutes)} of drying`} lie after the close:{' '}
					{late.map(nameOfTask).join('; ')}. {proofWords(plan)}
				</p>
			) : hopeless.length > 0 ? (
				<p>
					What waits for {hopeless.map(({ source }) => nameOfTask(source)).join('; ')} has no place in this course. A
					longer evening would not help.
				</p>
			) : tight.length > 0 ? (
				<ul>
					{tight.map(({ from, to, limitMinutes, leastMinutes }) => (
						<li key={`${nameOfTask(from)} ${nameOfTask(to)}`}>
							<b>{nameOfTask(to)}</b> is to follow {nameOfTask(from)} within {duration(limitMinutes)}, and from the
							first piece to the last that takes {duration(leastMinutes)} at least. Let it wait longer in the design,
							covered perhaps; do both steps piece by piece; or make fewer pieces.
						</li>
					))}
				</ul>
			) : status === 'impossible' ? (
				<p>{proofWords(plan)} Something must be used before it skins, and its turn does not come in time.</p>
			) : (
				<p>{proofWords(plan)}</p>
			)}
			<WaysOut plan={plan} />
			<p className="small">
				{shortfall?.isMostlyDrying && 'Most of what is missing is drying, not work. '}
				<Link to={`/courses/${courseId}`}>Change the course by hand</Link>
			</p>
		</section>
	)
}

function headOf({ status, proven }: PlanData, missingMinutes: number | undefined): string {
	if (status === 'impossible') return 'This cannot be made as it is'
	// What is not proven is not said.
	if (missingMinutes === undefined || proven.shortfall === undefined) return 'No plan that fits has been found yet'
	return `${duration(missingMinutes)} are missing`
}
