import { Link } from 'react-router'
import { LinkButton } from '../shared/components/link-button'
import { clock, count, daysAway, duration, longDay, momentWords, sessionName, shortDay } from '../shared/words/times'
import { nameOfTask } from '../plan/words/tasks'
import type { TodayData } from './load-today.server'

type Next = NonNullable<TodayData['next']>

/** What is next, what dries, what to prepare, what is late: a column each. */
export function TodayColumns({ data, next }: { data: TodayData; next: Next }) {
	return (
		<div className="today-columns">
			<NextColumn next={next} />
			<DryingColumn drying={data.drying} next={next} />
			<PrepareColumn work={data.work} workCount={data.workCount} next={next} />
			<LateColumn late={data.late} lateCount={data.lateCount} />
		</div>
	)
}

function NextColumn({ next }: { next: Next }) {
	const { session } = next
	return (
		<section className="sheet" aria-labelledby="next-course">
			<p className="today-head">Next</p>
			<h2 id="next-course" className="today-name">
				<Link to={`/courses/${next.id}/plan`}>{next.name}</Link>
			</h2>
			{session && (
				<p className="today-when">
					{longDay(session.date)}, {clock(session.startMin)}
				</p>
			)}
			<p>{daysAway(next.daysAway)}</p>
			<p className="soft">
				{session && sessionName(session.startMin, next.sessionNumber)} of {next.sessionCount} ·{' '}
				{count(next.studentCount, 'student')}
			</p>
		</section>
	)
}

function DryingColumn({ drying, next }: { drying: TodayData['drying']; next: Next }) {
	return (
		<section className="sheet" aria-labelledby="drying-now">
			<h2 id="drying-now" className="today-head">
				Drying now
			</h2>
			{drying.length === 0 ? (
				<p className="soft">Nothing. {next.session && `The next pieces are made on ${longDay(next.session.date)}.`}</p>
			) : (
				<ul className="today-list">
					{drying.map((piece) => (
						<li key={`${piece.courseId} ${piece.taskId} ${piece.readyAt}`}>
							<strong>{nameOfTask(piece.source)}</strong>
							<span className="soft">
								<Link to={`/courses/${piece.courseId}/plan?${new URLSearchParams({ step: piece.taskId })}`}>
									{piece.courseName}
								</Link>
								: {piece.stage ?? 'dry'} by {momentWords(piece.readyAt)}
							</span>
						</li>
					))}
				</ul>
			)}
		</section>
	)
}

function PrepareColumn({ work, workCount, next }: Pick<TodayData, 'work' | 'workCount'> & { next: Next }) {
	return (
		<section className="sheet stack" aria-labelledby="to-prepare">
			<h2 id="to-prepare" className="today-head">
				To prepare
			</h2>
			{!next.story && <p className="soft">There is no plan yet.</p>}
			{next.story && work.length === 0 && <p className="soft">Nothing is to be prepared.</p>}
			<ul className="today-list">
				{work.map(({ taskId, words, minutes, start, courseName, by, caution }) => (
					<li key={taskId}>
						<strong>{words}</strong>
						<span className="soft">
							{shortDay(start.date)}, {clock(start.minuteOfDay)}, {duration(minutes)} · {courseName}, {by}
							{caution && `. ${caution}`}
						</span>
					</li>
				))}
			</ul>
			{workCount > work.length && <p className="soft">and {workCount - work.length} more</p>}
			<LinkButton type="primary" to="/preparation">
				The days before
			</LinkButton>
			<LinkButton to={`/courses/${next.id}/kits`}>Pack the kits</LinkButton>
		</section>
	)
}

function LateColumn({ late, lateCount }: Pick<TodayData, 'late' | 'lateCount'>) {
	return (
		<section className={late.length > 0 ? 'sheet is-late' : 'sheet'} aria-labelledby="late">
			<h2 id="late" className="today-head">
				Late
			</h2>
			{late.length === 0 ? (
				<p className="soft">Nothing is late.</p>
			) : (
				<ul className="today-list">
					{late.map((item) => (
						<li key={`${item.courseId} ${item.kind} ${item.kind === 'work' ? item.taskId : ''}`}>
							<LateWords item={item} />
						</li>
					))}
				</ul>
			)}
			{lateCount > late.length && (
				<p className="soft">
					and <Link to="/preparation">{lateCount - late.length} more</Link>
				</p>
			)}
		</section>
	)
}

function LateWords({ item }: { item: TodayData['late'][number] }) {
	const course = <Link to={`/courses/${item.courseId}/plan`}>{item.courseName}</Link>
	if (item.kind === 'no plan') {
		return (
			<>
				<strong>No plan that fits</strong>
				<span className="soft">
					{course}, {daysAway(item.days)}
				</span>
			</>
		)
	}
	return (
		<>
			<strong>{item.words}</strong>
			<span className="soft">
				{course}: {duration(item.minutes)} of yours, {item.by}
			</span>
		</>
	)
}
