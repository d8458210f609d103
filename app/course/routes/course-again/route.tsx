import { Button, Form, Input, InputNumber } from 'antd'
import { redirect } from 'react-router'
import type { InferType } from 'yup'
import { repeatCourse } from '../../../../core/course/repeat-course'
import { COURSE_LIMITS } from '../../../../core/course/validate-course'
import { addDays, daysBetween } from '../../../../core/time/calendar'
import { createCourseLike } from '../../../plan/save-course.server'
import { readPlan } from '../../../plan/read-plan.server'
import { DayInput } from '../../../shared/components/fields/day-input'
import { LinkButton } from '../../../shared/components/link-button'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { count } from '../../../shared/words/times'
import { againSchema } from '../../schemas/share-course'
import type { Route } from './+types/route'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.course.name ?? 'Course'} again · Calycine` }]
}

/** From the last session of a course to the first of the next, if nobody says otherwise. */
const USUAL_REST_DAYS = 7

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { id, name, studentCount, sessions, pins = [] } = await courseOfPage(context, params)
		const [first, last] = [sessions[0]?.date ?? '', sessions.at(-1)?.date ?? '']
		// Whole weeks, so that Thursdays stay Thursdays.
		const weeks = Math.ceil((daysBetween(first, last) + USUAL_REST_DAYS) / 7)
		const course = { name, studentCount, firstDate: addDays(first, 7 * weeks) }
		return { id, course, sessionCount: sessions.length, pinCount: pins.length }
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const stored = await courseOfPage(context, params)
		const terms = await readBody(request, againSchema)
		const { coursePlan } = await readPlan(studio, stored)
		const { id: _, version: __, ...plain } = stored
		const id = await createCourseLike(studio, repeatCourse(plain, terms), { plan: coursePlan.plan })
		return redirect(`/courses/${id}/plan`)
	})
}

type Again = InferType<typeof againSchema>

/** The same course for a new group: its name, its first day and its places are asked, all else comes along. */
export default function CourseAgain({ loaderData: { id, course, sessionCount, pinCount } }: Route.ComponentProps) {
	const { form, submit, clearProblems, isSaving, refusal } = useSchemaForm<Again>({ schema: againSchema })
	const { students, nameLength } = COURSE_LIMITS
	return (
		<>
			<div className="page-head">
				<h1>{course.name}, again</h1>
				<p className="soft">
					Designs, hours, waits set by hand{pinCount > 0 && `, the ${count(pinCount, 'thing')} that you settled`} and
					the plan come along; people do not.
				</p>
			</div>
			<Form<Again>
				form={form}
				layout="vertical"
				className="sheet stack"
				initialValues={course}
				requiredMark={false}
				onFinish={(values) => void submit(values)}
				onValuesChange={clearProblems}
			>
				{refusal && (
					<p className="alert" role="alert">
						{refusal.message}
					</p>
				)}
				<Form.Item name="name" label="Name">
					<Input maxLength={nameLength.max} />
				</Form.Item>
				<Form.Item
					name="firstDate"
					label={sessionCount > 1 ? `First of the ${sessionCount} sessions` : 'Day'}
					extra={sessionCount > 1 && 'The others keep their distance from it.'}
				>
					<DayInput />
				</Form.Item>
				<Form.Item name="studentCount" label="Students">
					<InputNumber min={students.min} max={students.max} />
				</Form.Item>
				<div className="row">
					<Button type="primary" htmlType="submit" loading={isSaving}>
						Make the course
					</Button>
					<LinkButton to={`/courses/${id}`}>Back</LinkButton>
				</div>
			</Form>
		</>
	)
}
