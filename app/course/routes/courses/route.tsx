import { LinkButton } from '../../../shared/components/link-button'
import { Link } from 'react-router'
import { listCourses } from '../../../../db/repositories/courses.server'
import { memberContext } from '../../../shared/http/contexts'
import { today } from '../../../shared/http/studio-clock.server'
import { count, duration, shortDay } from '../../../shared/words/times'
import { readPage } from '../../../shared/schemas/page'
import type { Route } from './+types/route'
import './courses.css'

export function meta() {
	return [{ title: 'Courses · Calycine' }]
}

export async function loader({ context, request }: Route.LoaderArgs) {
	const page = readPage(new URL(request.url).searchParams)
	const { studio } = context.get(memberContext)
	const { courses, pageCount } = await listCourses(studio.id, page)
	return { courses, page, pageCount, date: today(studio.timeZone) }
}

type Summary = Route.ComponentProps['loaderData']['courses'][number]

export default function Courses({ loaderData: { courses, page, pageCount, date } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>Courses</h1>
				<LinkButton type="primary" className="push" to="/courses/new">
					New course
				</LinkButton>
			</div>
			{courses.length === 0 ? (
				<section className="sheet empty">
					<h2>{page > 1 ? 'There is no such page' : 'No course yet'}</h2>
					<p className="soft">A course is a design or two, a group, and the sessions it comes to.</p>
					<LinkButton to={page > 1 ? '/courses' : '/designs'}>
						{page > 1 ? 'To the first page' : 'Look at the designs'}
					</LinkButton>
				</section>
			) : (
				<ul className="course-list sheet">
					{courses.map((course) => (
						<CourseRow key={course.id} course={course} isOver={course.lastDate < date} />
					))}
				</ul>
			)}
			{pageCount > 1 && (
				<nav className="row pages" aria-label="Pages">
					{page > 1 && <Link to={`?page=${page - 1}`}>Later ones</Link>}
					<span className="soft">
						Page {page} of {pageCount}
					</span>
					{page < pageCount && <Link to={`?page=${page + 1}`}>Earlier ones</Link>}
				</nav>
			)}
		</>
	)
}

function CourseRow({ course, isOver }: { course: Summary; isOver: boolean }) {
	return (
		<li className={isOver ? 'is-over' : ''}>
			{course.coverSlug ? (
				<img src={`/designs/${course.coverSlug}/picture.svg`} width={64} height={64} alt="" loading="lazy" />
			) : (
				<span />
			)}
			<div>
				<h2>
					<Link to={`/courses/${course.id}/plan`}>{course.name}</Link>
				</h2>
				<p className="soft">{course.designNames.join(', ')}</p>
			</div>
			<p>
				{course.firstDate === course.lastDate
					? shortDay(course.firstDate)
					: `${shortDay(course.firstDate)} to ${shortDay(course.lastDate)}`}
				<span className="soft">
					{count(course.sessionCount, 'session')} · {count(course.studentCount, 'student')}
				</span>
			</p>
			<PlanState course={course} isOver={isOver} />
		</li>
	)
}

function PlanState({ course: { planStatus, shortfallMinutes }, isOver }: { course: Summary; isOver: boolean }) {
	if (isOver) return <p className="state soft">over</p>
	if (planStatus === undefined) return <p className="state soft">no plan yet</p>
	if (planStatus === 'infeasible') return <p className="state is-short">{duration(shortfallMinutes)} missing</p>
	if (planStatus === 'unknown') return <p className="state is-short">does not fit</p>
	return <p className="state is-good">it fits</p>
}
