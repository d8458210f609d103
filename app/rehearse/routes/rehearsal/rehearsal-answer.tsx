import type { RehearsalFigures } from '../../../../core/rehearse/rehearsal'
import { useSearchParams } from 'react-router'
import { LinkButton } from '../../../shared/components/link-button'
import { count, longDay } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'
import { chanceWords, inTen } from '../../../shared/words/chances'

interface RehearsalAnswerProps {
	figures: RehearsalFigures
	sessions: PlayedCourse['sessions']
	mostShare: number
}

/** The one answer: how many evenings end on time, and which is the tight one. */
export function RehearsalAnswer({ figures, sessions, mostShare }: RehearsalAnswerProps) {
	const [search] = useSearchParams()
	const { classCount, isSure, course, eveningShare, tightest } = figures
	const tight = tightest === undefined ? undefined : figures.sessions[tightest]
	return (
		<section className="sheet rehearsal-answer" aria-label="The answer">
			<p className="rehearsal-big">
				<strong>{inTen(eveningShare)}</strong> {sessions.length === 1 ? 'such classes' : 'evenings'} end on time
			</p>
			{tight && sessions.length > 1 && (
				<p className="rehearsal-tight">
					{longDay(sessions[tightest ?? 0]?.date ?? '')} is the tight one: {inTen(tight.onTime.share)}.
				</p>
			)}
			<p className="soft small">
				On time: when clearing away begins, at least {Math.round(100 * mostShare)} % of those who are there have done
				its steps. Every evening of the course: {chanceWords(course)}.
			</p>
			<p className="soft small" role="status">
				{isSure
					? `${count(classCount, 'class', 'classes')} played. The intervals are those of the playing: how right its spreads are, the log of real classes will say.`
					: `${count(classCount, 'class', 'classes')} played; it is going on, and gets sharper by itself.`}
			</p>
			<p className="no-print">
				<LinkButton to={`watch?${search}`}>Watch one class</LinkButton>
			</p>
		</section>
	)
}
