import { LinkButton } from '../shared/components/link-button'
import { Link } from 'react-router'
import { PlanBands } from '../plan/components/plan-bands/plan-bands'
import { ScrollRegion } from '../shared/components/scroll-region'
import { memberContext } from '../shared/http/contexts'
import { loading } from '../shared/http/responses.server'
import { wallNow } from '../shared/http/studio-clock.server'
import { missingWords } from '../plan/words/missing'
import { count, longDay, shortDay } from '../shared/words/times'
import type { Route } from './+types/route'
import { loadToday, type TodayData } from './load-today.server'
import { TodayColumns } from './today-columns'
import './today.css'

export function meta() {
	return [{ title: 'Today · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const member = context.get(memberContext)
	return loading(() => loadToday(member, wallNow(member.studio.timeZone)))
}

/** The next course with what to prepare, and the ones after. */
export default function Today({ loaderData }: Route.ComponentProps) {
	const { date, next, others, hasCourses } = loaderData
	return (
		<>
			<div className="page-head">
				<h1>Today</h1>
				<p className="soft">{longDay(date)}</p>
				<LinkButton className="push" to="/courses/new">
					New course
				</LinkButton>
			</div>
			{next ? <NextCourse data={loaderData} next={next} /> : <NothingNext hasCourses={hasCourses} />}
			{others.length > 0 && <Others courses={others} />}
		</>
	)
}

function NextCourse({ data, next }: { data: TodayData; next: NonNullable<TodayData['next']> }) {
	const { story } = next
	return (
		<div className="stack">
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
			<TodayColumns data={data} next={next} />
			{story && (
				<section className="sheet" aria-label={`Plan of ${next.name}`}>
					<ScrollRegion label="Picture of its plan">
						<PlanBands story={story} />
					</ScrollRegion>
				</section>
			)}
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
