import { Link } from 'react-router'
import { useRehearsalBrief } from '../../../shared/components/use-rehearsal-brief'
import { inTen } from '../../../shared/words/chances'
import { shortDay } from '../../../shared/words/times'

/** How sure the plan's evenings are, from its rehearsal; it comes when that has been played. */
export function RehearsedLine({ courseId, planId }: { courseId: number; planId: number }) {
	const { eveningShare, tight } = useRehearsalBrief(courseId, planId) ?? {}
	return (
		<p role="status">
			{eveningShare === undefined ? (
				<span className="soft">How sure its evenings are is being rehearsed.</span>
			) : (
				<>
					<Link to={`/courses/${courseId}/rehearsal`}>Rehearsed</Link>: <b>{inTen(eveningShare)}</b> evenings end on
					time
					{tight && tight.share < eveningShare && `; ${shortDay(tight.date)} is the tight one, ${inTen(tight.share)}`}.
				</>
			)}
		</p>
	)
}
