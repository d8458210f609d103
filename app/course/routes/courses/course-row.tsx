import { Checkbox } from 'antd'
import { Link } from 'react-router'
import type { CourseSummary } from '../../../../db/repositories/course-list.server'
import { IMPOSSIBLE_WORDS, missingWords } from '../../../plan/words/missing'
import { count, shortDay } from '../../../shared/words/times'

interface CourseRowProps {
	course: CourseSummary
	isOver: boolean
	isChosen: boolean
	onChoose: (is: boolean) => void
}

/** A course in the list: what it teaches, when, and whether its plan fits. */
export function CourseRow({ course, isOver, isChosen, onChoose }: CourseRowProps) {
	const { id, name, coverSlug, designNames, firstDate, lastDate, sessionCount, studentCount } = course
	return (
		<li className={isOver ? 'is-over' : ''}>
			<Checkbox
				className="no-print"
				aria-label={`Choose ${name}`}
				checked={isChosen}
				onChange={({ target }) => onChoose(target.checked)}
			/>
			{coverSlug ? (
				<img src={`/designs/${coverSlug}/picture.svg`} width={64} height={64} alt="" loading="lazy" />
			) : (
				<span />
			)}
			<div>
				<h2>
					<Link to={`/courses/${id}/plan`}>{name}</Link>
				</h2>
				<p className="soft">{designNames.join(', ')}</p>
			</div>
			<p>
				{firstDate === lastDate ? shortDay(firstDate) : `${shortDay(firstDate)} to ${shortDay(lastDate)}`}
				<span className="soft">
					{count(sessionCount, 'session')} · {count(studentCount, 'student')}
				</span>
			</p>
			<PlanState course={course} isOver={isOver} />
		</li>
	)
}

function PlanState({ course: { planStatus, shortfallMinutes }, isOver }: { course: CourseSummary; isOver: boolean }) {
	if (isOver) return <p className="state soft">over</p>
	if (planStatus === undefined) return <p className="state soft">no plan yet</p>
	if (planStatus === 'infeasible') return <p className="state is-short">{missingWords(shortfallMinutes)}</p>
	if (planStatus === 'impossible') return <p className="state is-short">{IMPOSSIBLE_WORDS}</p>
	if (planStatus === 'unknown') return <p className="state is-short">no plan found yet</p>
	return <p className="state is-good">it fits</p>
}
