import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { present } from '../../../../core/present'
import { NavLink, Outlet } from 'react-router'
import { handsOnMinutes } from '../../../../core/course/session-hours'
import { loading } from '../../../shared/http/responses.server'
import { PACE_WORDS } from '../../../shared/words/terms'
import { count, duration, shortDay } from '../../../shared/words/times'
import type { Route } from './+types/route'
import './course.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.name ?? 'Course'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { id, name, studentCount, pace, sessions } = await courseOfPage(context, params)
		const minutes = sessions.reduce((total, session) => total + handsOnMinutes(session), 0)
		return {
			id,
			name,
			studentCount,
			pace,
			sessionCount: sessions.length,
			firstDate: present(sessions[0], 'the first session').date,
			handsOnMinutes: minutes,
		}
	})
}

/** The way through a course; each bud opens its screen. */
const BUDS = [
	{ path: '', label: 'Choose' },
	{ path: '/plan', label: 'Plan' },
	{ path: '/kits', label: 'Prepare' },
	{ path: '/rehearsal', label: 'Rehearse' },
	{ path: '/run', label: 'Teach' },
]

/** The head of a course with the buds of its way, above each of its pages. */
export default function CourseFrame({ loaderData: course }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head course-head">
				<h1>{course.name}</h1>
				<p className="soft">
					{count(course.studentCount, 'student')}, {PACE_WORDS[course.pace].toLowerCase()} ·{' '}
					{count(course.sessionCount, 'session')} from {shortDay(course.firstDate)} · {duration(course.handsOnMinutes)}{' '}
					hands-on
				</p>
			</div>
			<nav className="stem no-print" aria-label="The way through this course">
				{BUDS.map(({ path, label }) => (
					<NavLink key={label} to={`/courses/${course.id}${path}`} end={path === ''}>
						<span>{label}</span>
						<svg viewBox="0 0 20 20" width="18" height="18" aria-hidden="true">
							<path d="M2 17V9a7 7 0 0 1 7-7h0a8 8 0 0 1 8 8v0a7 7 0 0 1-7 7z" />
						</svg>
					</NavLink>
				))}
			</nav>
			<Outlet />
		</>
	)
}
