import { Link, useSearchParams } from 'react-router'
import { useState } from 'react'
import { deleteCourses, listCourses } from '../../../../db/repositories/course-list.server'
import { LinkButton } from '../../../shared/components/link-button'
import { PageLinks } from '../../../shared/components/page-links'
import { isNarrowed } from '../../../shared/address'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { readPage } from '../../../shared/schemas/page'
import { courseListActions, readCourseFilter } from '../../schemas/course-list'
import type { Route } from './+types/route'
import { ChosenCourses } from './chosen-courses'
import { CourseRow } from './course-row'
import { CourseSearch } from './course-search'
import './courses.css'

export function meta() {
	return [{ title: 'Courses · Calycine' }]
}

export async function loader({ context, request }: Route.LoaderArgs) {
	const { searchParams } = new URL(request.url)
	const { studio } = context.get(memberContext)
	const [filter, page, date] = [readCourseFilter(searchParams), readPage(searchParams), today(studio.timeZone)]
	return { ...(await listCourses(studio.id, { ...filter, page, date })), filter, page, date }
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { courses } = await readIntent(request, courseListActions)
		return { deleted: await deleteCourses(context.get(memberContext).studio.id, courses), asked: courses.length }
	})
}

/** All courses: sought, narrowed and put in order by the address. */
export default function Courses({ loaderData, actionData }: Route.ComponentProps) {
	const { courses, filter, page, pageCount, date } = loaderData
	const isLess = isNarrowed(filter)
	const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set())
	const toggle = (id: number, is: boolean) =>
		setChosen((before) => new Set(is ? [...before, id] : [...before].filter((one) => one !== id)))
	return (
		<>
			<div className="page-head">
				<h1>Courses</h1>
				<LinkButton className="push" to="/courses/import">
					From a file
				</LinkButton>
				<LinkButton to="/courses/what-fits">What fits?</LinkButton>
				<LinkButton type="primary" to="/courses/new">
					New course
				</LinkButton>
			</div>
			<CourseSearch isNarrowed={isLess} count={loaderData.count} />
			<ChosenCourses
				courses={courses.filter(({ id }) => chosen.has(id))}
				answer={actionData}
				onDone={() => setChosen(new Set())}
			/>
			{courses.length === 0 ? (
				<NoCourses isNarrowed={isLess} page={page} />
			) : (
				<ul className="course-list sheet">
					{courses.map((course) => (
						<CourseRow
							key={course.id}
							course={course}
							isOver={course.lastDate < date}
							isChosen={chosen.has(course.id)}
							onChoose={(is) => toggle(course.id, is)}
						/>
					))}
				</ul>
			)}
			<PageLinks page={page} pageCount={pageCount} />
		</>
	)
}

function NoCourses({ isNarrowed, page }: { isNarrowed: boolean; page: number }) {
	const [search] = useSearchParams()
	if (isNarrowed || page > 1) {
		return (
			<section className="sheet empty">
				<h2>{isNarrowed ? 'No course is like that' : 'There is no such page'}</h2>
				<p className="soft">
					{isNarrowed ? `Nothing is found for “${search.get('q') || 'this'}”.` : 'It may have been.'}
				</p>
				<LinkButton to="/courses">All courses</LinkButton>
			</section>
		)
	}
	return (
		<section className="sheet empty">
			<h2>No course yet</h2>
			<p className="soft">
				A course is a design or two, a group, and the sessions it comes to.{' '}
				<Link to="/designs">Look at the designs</Link>
			</p>
			<LinkButton type="primary" to="/courses/new">
				Plan a course
			</LinkButton>
		</section>
	)
}
