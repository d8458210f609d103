import { redirect } from 'react-router'
import type { Course } from '../../../../core/course/course'
import { addDays } from '../../../../core/time/calendar'
import { completePicks } from '../../../../core/design/resolve-design'
import { listDesignOptions } from '../../../../db/repositories/designs.server'
import { listPlaces } from '../../../../db/repositories/places.server'
import { CourseForm } from '../../components/course-form/course-form'
import type { DesignOption } from '../../components/course-form/design-fields'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { createPlannedCourse } from '../../../plan/save-course.server'
import { courseSchema } from '../../schemas/course'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'New course · Calycine' }]
}

export async function loader({ request, context }: Route.LoaderArgs) {
	const { studio } = context.get(memberContext)
	const [designs, places] = await Promise.all([listDesignOptions(studio.id), listPlaces(studio.id)])
	const asked = new URL(request.url).searchParams.get('design')
	const chosen = designs.find(({ slug }) => slug === asked)
	return {
		initial: emptyCourse(addDays(today(studio.timeZone), 7), chosen),
		designOptions: designs,
		places: places.map(({ id, kind, name }) => ({ id, kind, name })),
	}
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const course = await readBody(request, courseSchema)
		const id = await createPlannedCourse(context.get(memberContext).studio, course)
		return redirect(`/courses/${id}/plan`)
	})
}

/** A course as it starts: one evening of two hours, for eight improvers. */
function emptyCourse(date: string, design: DesignOption | undefined): Course {
	return {
		name: design ? `${design.name} class` : '',
		studentCount: 8,
		pace: 'improvers',
		planFor: 'slower',
		spareConfidence: 0.9,
		demoFlowers: 1,
		homeworkMinutes: 0,
		designs: [{ designId: design?.slug ?? '', flowersPerStudent: 1, picks: design ? completePicks(design, {}) : {} }],
		sessions: [{ date, startMin: 1140, endMin: 1260, setUpMinutes: 5, clearAwayMinutes: 10, breaks: [] }],
	}
}

/** A course to begin, with a design that was chosen already or the first. */
export default function NewCourse({ loaderData: { initial, designOptions, places } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>New course</h1>
			</div>
			<CourseForm initial={initial} designOptions={designOptions} places={places} submitLabel="Save and plan" />
		</>
	)
}
