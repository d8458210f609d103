import { Link } from 'react-router'
import { isNever } from '../../../../core/plan/problem/never'
import { proofWords } from '../../words/proof'
import { duration } from '../../../shared/words/times'
import type { PlanData } from './load-plan.server'
import { nameOfTask } from '../../words/tasks'
import { WaysOut } from './ways-out'

/** What is missing where a course does not fit, and what would help. */
export function MisfitNotice({ plan }: { plan: PlanData }) {
	const { story, late, courseId } = plan
	const shortfall = story?.shortfall
	return (
		<section className="alert misfit" aria-labelledby="misfit">
			<h2 id="misfit">{headOf(shortfall?.minutes)}</h2>
			{shortfall && isNever(shortfall.minutes) ? (
				<p>
					What waits for it has no place in this course: {late.map(nameOfTask).join('; ')}. A longer evening would not
					help.
				</p>
			) : shortfall ? (
				<p>
					In the best plan found, {duration(shortfall.workMinutes)} of work
					{shortfall.dryingMinutes > 0 && ` and ${duration(shortfall.dryingMinutes)} of drying`} lie after the close:{' '}
					{late.map(nameOfTask).join('; ')}. {proofWords(plan)}
				</p>
			) : (
				<p>{proofWords(plan)} Something must be used before it skins, and its turn does not come in time.</p>
			)}
			<WaysOut plan={plan} />
			<p className="small">
				{shortfall?.isMostlyDrying && !isNever(shortfall.minutes) && 'Most of what is missing is drying, not work. '}
				<Link to={`/courses/${courseId}`}>Change the course by hand</Link>
			</p>
		</section>
	)
}

function headOf(missingMinutes: number | undefined): string {
	if (missingMinutes === undefined) return 'This does not fit'
	return isNever(missingMinutes) ? 'This cannot be made as it is' : `${duration(missingMinutes)} are missing`
}
