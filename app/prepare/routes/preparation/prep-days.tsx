import { Checkbox } from 'antd'
import { Link, useFetcher } from 'react-router'
import { daysBetween } from '../../../../core/time/calendar'
import { clock, count, daysAway, duration, longDay } from '../../../shared/words/times'
import type { CalendarData, CalendarDay, WorkItem } from './calendar-view'
import { DayChoice } from './day-choice'

/** Each day with its work to tick. */
export function PrepDays({ days, data }: { days: readonly CalendarDay[]; data: CalendarData }) {
	return (
		<>
			<ol className="prep-days">
				{days.map((day) => (
					<PrepDay key={day.date} day={day} data={data} />
				))}
			</ol>
			{(data.later ?? !data.isFirst) && (
				<p className="row no-print">
					{!data.isFirst && <Link to="?view=days">← from the first day</Link>}
					{data.later && (
						<Link className="push" to={`?view=days&from=${data.later.date}`}>
							{count(data.later.count, 'piece of work', 'pieces of work')} later, from {longDay(data.later.date)} on →
						</Link>
					)}
				</p>
			)}
			{data.doneBefore.length > 0 && (
				<section className="sheet" aria-label="Done">
					<h2>Done</h2>
					<ul className="prep-done">
						{data.doneBefore.map(({ taskId, courseId, words }) => (
							<li key={taskId}>
								<Tick item={{ taskId, courseId, words, isDone: true }} />
							</li>
						))}
					</ul>
				</section>
			)}
		</>
	)
}

function PrepDay({ day: { date, sessions, work }, data }: { day: CalendarDay; data: CalendarData }) {
	const minutes = work.reduce((sum, one) => sum + one.minutes, 0)
	return (
		<li className="sheet prep-day">
			<h2>{longDay(date)}</h2>
			<p className="soft">
				{daysAway(daysBetween(data.date, date))}, {duration(minutes)}
			</p>
			{sessions.map(({ courseId, words, time }) => (
				<p key={words} className="prep-session">
					<strong>{time}</strong> <Link to={`/courses/${courseId}/plan`}>{words}</Link>
				</p>
			))}
			<ul>
				{work.map((item) => (
					<PrepRow key={item.taskId} item={item} courseName={data.courses[item.courseId] ?? ''} />
				))}
			</ul>
		</li>
	)
}

function PrepRow({ item, courseName }: { item: WorkItem; courseName: string }) {
	const { start, minutes, courseId, by, isDrying, caution, isLate } = item
	return (
		<li className="prep-row">
			<span className="prep-time">{clock(start.minuteOfDay)}</span>
			<div>
				<Tick item={item} />
				<p className="soft small">
					{duration(minutes)} · <Link to={`/courses/${courseId}/kits`}>{courseName}</Link> · {by}
					{isDrying && ', to be dry in time'}
					{caution && ` · ${caution}`}
					{isLate && <span className="prep-late"> too late</span>}
				</p>
				{!item.isDone && <DayChoice item={item} />}
			</div>
		</li>
	)
}

/** Ticked at once; the server follows. */
function Tick({ item }: { item: Pick<WorkItem, 'taskId' | 'courseId' | 'words' | 'isDone'> }) {
	const fetcher = useFetcher<{ refused?: boolean; message?: string }>()
	const { taskId, courseId, words } = item
	const asked = fetcher.formData?.get('intent')
	const isDone = asked ? asked === 'done' : item.isDone
	return (
		<>
			<Checkbox
				className={isDone ? 'prep-tick is-done' : 'prep-tick'}
				checked={isDone}
				onChange={() =>
					void fetcher.submit(
						{ intent: isDone ? 'undone' : 'done', taskId, courseId: String(courseId) },
						{ method: 'post' },
					)
				}
			>
				<strong>{words}</strong>
			</Checkbox>
			{fetcher.data?.refused && <span className="prep-late"> {fetcher.data.message}</span>}
		</>
	)
}
