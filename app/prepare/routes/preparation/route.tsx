/** What is to be done before class, day by day: of all coming courses, with its waits, in one pair of hands' free time. */
import { Link } from 'react-router'
import type { LaidPreparation } from '../../../../core/prepare/lay-preparation'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { wallNow } from '../../../shared/http/studio-clock.server'
import { toMoment } from '../../../../core/time/wall-clock'
import { clock, count, daysAway, duration, longDay, shortDay } from '../../../shared/words/times'
import { daysBetween } from '../../../../core/time/calendar'
import { loadPreparation, type PreparationData } from '../../load-preparation.server'
import { byWords, prepCaution, prepWords } from '../../words/prep-work'
import type { Route } from './+types/route'
import './preparation.css'

export function meta() {
	return [{ title: 'The days before · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const { studio } = context.get(memberContext)
	return loading(() => loadPreparation(studio, wallNow(studio.timeZone)))
}

/** Of the pattern that everybody has until it can be set: the same hours on every workday. */
function freeWords({ freeTime: { weekly, mostMinutesADay } }: PreparationData): string {
	const [first] = weekly
	const hours = first ? ` from ${clock(first.startMin)} to ${clock(first.endMin)}` : ''
	return `workdays${hours}, at most ${duration(mostMinutesADay)} a day`
}

type Laid = LaidPreparation['laid'][number]

export default function Preparation({ loaderData }: Route.ComponentProps) {
	const { laid, date, courses } = loaderData
	const days = [...new Set(laid.map(({ start }) => start.date))]
	return (
		<>
			<div className="page-head">
				<h1>The days before</h1>
				<p className="soft">
					{laid.length === 0
						? 'nothing is to be prepared'
						: `${count(laid.length, 'thing')} on ${count(days.length, 'day')}, laid into ${freeWords(loaderData)}`}
				</p>
			</div>
			<Misfits data={loaderData} />
			<ol className="prep-days">
				{days.map((day) => (
					<PrepDay
						key={day}
						day={day}
						today={date}
						laid={laid.filter(({ start }) => start.date === day)}
						courses={courses}
					/>
				))}
			</ol>
			{laid.length > 0 && isAllInTime(loaderData) && <p className="soft small">{proofWords(loaderData)}</p>}
		</>
	)
}

interface PrepDayProps {
	day: string
	today: string
	laid: readonly Laid[]
	courses: PreparationData['courses']
}

function PrepDay({ day, today, laid, courses }: PrepDayProps) {
	const minutes = laid.reduce((sum, { task }) => sum + task.minutes, 0)
	return (
		<li className="sheet prep-day">
			<h2>{longDay(day)}</h2>
			<p className="soft">
				{daysAway(daysBetween(today, day))}, {duration(minutes)}
			</p>
			<ul>
				{laid.map((one) => (
					<PrepRow key={one.task.id} laid={one} courseName={courses[one.task.courseId] ?? ''} />
				))}
			</ul>
		</li>
	)
}

function PrepRow({ laid: { task, start, lateMinutes }, courseName }: { laid: Laid; courseName: string }) {
	const caution = prepCaution(task.work)
	return (
		<li className="prep-row">
			<span className="prep-time">{clock(start.minuteOfDay)}</span>
			<span>
				<strong>{prepWords(task.work)}</strong>
				<br />
				<span className="soft small">
					{duration(task.minutes)} · <Link to={`/courses/${task.courseId}/kits`}>{courseName}</Link> ·{' '}
					{byWords(task.latest)}
					{task.isDrying && ', to be dry in time'}
					{caution && ` · ${caution}`}
				</span>
				{lateMinutes > 0 && <span className="prep-late"> too late</span>}
			</span>
		</li>
	)
}

/** What has no place, what cannot all be in time, and courses that cannot be prepared yet. */
function Misfits({ data: { overload, unplaced, withoutPlan } }: { data: PreparationData }) {
	return (
		<>
			{overload && <OverloadNotice overload={overload} />}
			{unplaced.length > 0 && (
				<div className="alert" role="status">
					<p>No free time was found for:</p>
					<ul>
						{unplaced.map(({ id, work, minutes }) => (
							<li key={id}>
								{prepWords(work)}, {duration(minutes)}
							</li>
						))}
					</ul>
				</div>
			)}
			{withoutPlan.map(({ id, name }) => (
				<p key={id} className="told">
					{name} has no plan that fits yet: nothing of it is laid here.{' '}
					<Link to={`/courses/${id}/plan`}>Look at its plan</Link>
				</p>
			))}
		</>
	)
}

function OverloadNotice({ overload }: { overload: NonNullable<PreparationData['overload']> }) {
	const { tasks, from, until, lackingMinutes } = overload
	const isOver = toMoment(until) <= toMoment(from)
	return (
		<p className="alert" role="status">
			{isOver
				? `Should have been done before today: ${tasks.map(({ work }) => prepWords(work)).join('; ')}.`
				: `It cannot all be in time: ${count(tasks.length, 'thing')} must lie between ${shortDay(from.date)} and ${shortDay(until.date)}, and ${duration(lackingMinutes)} are lacking. More time there would help, or an earlier beginning.`}
		</p>
	)
}

function isAllInTime({ objective }: PreparationData): boolean {
	return objective.late === 0 && objective.unplaced === 0
}

/** How good it is, where all is in time: what is proven, in words. */
function proofWords({ proven }: PreparationData): string {
	if (proven.includes('drying')) return 'All of it is in time, on as few days as can be: proven.'
	return proven.includes('days')
		? 'All of it is in time, on as few days as can be.'
		: 'All of it is in time; that it needs so many days is not proven.'
}
