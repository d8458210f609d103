import { LinkButton } from '../shared/components/link-button'
import { Link } from 'react-router'
import { PlanBands } from '../plan/components/plan-bands/plan-bands'
import { ScrollRegion } from '../shared/components/scroll-region'
import { memberContext } from '../shared/http/contexts'
import { loading } from '../shared/http/responses.server'
import { today } from '../shared/http/studio-clock.server'
import { missingWords } from '../plan/words/missing'
import { clock, count, daysAway, longDay, sessionName, shortDay } from '../shared/words/times'
import type { Route } from './+types/route'
import { loadToday } from './load-today.server'
import { PreparationList } from './preparation-list'
import './today.css'

export function meta() {
	return [{ title: 'Today · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const { studio } = context.get(memberContext)
	return loading(() => loadToday(studio, today(studio.timeZone)))
}

type TodayData = Route.ComponentProps['loaderData']

/** The next course with what to prepare, and the ones after. */
export default function Today({ loaderData: { date, next, others, hasCourses } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>Today</h1>
				<p className="soft">{longDay(date)}</p>
				<LinkButton className="push" to="/courses/new">
					New course
				</LinkButton>
			</div>
			{next ? <NextCourse next={next} /> : <NothingNext hasCourses={hasCourses} />}
			{others.length > 0 && <Others courses={others} />}
		</>
	)
}

function NextCourse({ next }: { next: NonNullable<TodayData['next']> }) {
	const { session, story } = next
	return (
		<div className="today-next">
			<section className="sheet stack" aria-labelledby="next-course">
				<div>
					<p className="today-when">
						{session && `${longDay(session.date)}, ${clock(session.startMin)} · ${daysAway(next.daysAway)}`}
					</p>
					<h2 id="next-course" className="today-name">
						<Link to={`/courses/${next.id}/plan`}>{next.name}</Link>
					</h2>
					<p className="soft">
						{session && sessionName(session.startMin, next.sessionNumber)} of {next.sessionCount} ·{' '}
						{count(next.studentCount, 'student')}
					</p>
				</div>
				{story?.shortfall && (
					<p className="alert">
						{next.isOpen
							? 'No plan that fits has been found yet.'
							: `It does not fit as it is set: ${missingWords(story.shortfall.minutes)}.`}{' '}
						<Link to={`/courses/${next.id}/plan`}>See what would help</Link>
					</p>
				)}
				{next.isOutdated && (
					<p className="alert">
						A design has changed since this was planned. <Link to={`/courses/${next.id}/plan`}>Look at the plan</Link>
					</p>
				)}
				{story && (
					<ScrollRegion label="Picture of its plan">
						<PlanBands story={story} />
					</ScrollRegion>
				)}
			</section>
			<section className="sheet stack" aria-labelledby="to-prepare">
				<h2 id="to-prepare">To prepare</h2>
				{next.preparation ? (
					<PreparationList items={next.preparation} prepMinutes={story?.prepMinutes ?? 0} />
				) : (
					<p className="soft">There is no plan yet.</p>
				)}
				<LinkButton type="primary" to={`/courses/${next.id}/kits`}>
					Pack the kits
				</LinkButton>
			</section>
		</div>
	)
}

function NothingNext({ hasCourses }: { hasCourses: boolean }) {
	return (
		<section className="sheet empty">
			<h2>{hasCourses ? 'No session lies ahead' : 'Your bench is clear'}</h2>
			<p className="soft">
				{hasCourses
					? 'Every course in your book is over.'
					: 'Choose a design and say when your students come: the plan follows.'}
			</p>
			<LinkButton type="primary" to="/courses/new">
				Plan a course
			</LinkButton>
		</section>
	)
}

function Others({ courses }: { courses: TodayData['others'] }) {
	return (
		<section className="today-others" aria-labelledby="after-that">
			<h2 id="after-that">After that</h2>
			<ul>
				{courses.map((course) => (
					<li key={course.id} className="sheet">
						<h3>
							<Link to={`/courses/${course.id}/plan`}>{course.name}</Link>
						</h3>
						<p className="soft">
							from {shortDay(course.firstDate)} · {count(course.sessionCount, 'session')} ·{' '}
							{count(course.studentCount, 'student')}
						</p>
						{course.planStatus === 'infeasible' && (
							<p className="today-short">{missingWords(course.shortfallMinutes)}</p>
						)}
						{course.planStatus === 'unknown' && <p className="today-short">no plan found yet</p>}
					</li>
				))}
			</ul>
		</section>
	)
}
