import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Button } from 'antd'
import { data, redirect, useSubmit } from 'react-router'
import { keepValidPicks } from '../../../../core/design/resolve-design'
import { ConflictError } from '../../../../core/errors'
import { getCourse } from '../../../../db/repositories/courses.server'
import { listDesignOptions } from '../../../../db/repositories/designs.server'
import { listPlaces } from '../../../../db/repositories/places.server'
import { CourseForm } from '../../components/course-form/course-form'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { readBody, readId } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { updatePlannedCourse } from '../../../plan/save-course.server'
import { courseChangeSchema } from '../../schemas/course'
import type { Route } from './+types/route'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const [stored, designs, places] = await Promise.all([
			courseOfPage(context, params),
			listDesignOptions(studio.id),
			listPlaces(studio.id),
		])
		const { id, version, ...course } = stored
		const choicesOf = (slug: string) => designs.find((design) => design.slug === slug)?.choices ?? []
		const complete = course.designs.map(({ picks, ...item }) => ({
			...item,
			picks: keepValidPicks({ choices: choicesOf(item.designId) }, picks),
		}))
		return {
			id,
			version,
			course: { ...course, designs: complete },
			designOptions: designs,
			places: places.map(({ id: placeId, kind, name }) => ({ id: placeId, kind, name })),
		}
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const id = readId(params.courseId)
		const course = await readBody(request, courseChangeSchema)
		try {
			await updatePlannedCourse(studio, { id, ...course })
		} catch (error) {
			if (!(error instanceof ConflictError)) throw error
			// The second window gets what the first one saved, to choose between the two.
			const current = await getCourse(studio.id, id)
			return data({ refused: true, message: error.message, problems: [], current }, { status: 409 })
		}
		return redirect(`/courses/${id}/plan`)
	})
}

/** A course to change, or to delete after asking. */
export default function ChooseCourse({ loaderData }: Route.ComponentProps) {
	const { id, version, course, designOptions, places } = loaderData
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const askToDelete = () => {
		ask({
			title: `Delete “${course.name}”?`,
			content: 'The course goes with its plans. This cannot be undone.',
			doIt: 'Delete',
			keep: 'Keep it',
			onDo: () => submit({ version }, { method: 'post', action: `/courses/${id}/delete` }),
		})
	}
	return (
		<CourseForm
			key={`${id} ${version}`}
			initial={course}
			version={version}
			designOptions={designOptions}
			places={places}
			submitLabel="Save and plan anew"
		>
			<LinkButton to={`/courses/${id}/again`} className="push">
				Again, for a new group
			</LinkButton>
			<Button danger onClick={askToDelete}>
				Delete course
			</Button>
		</CourseForm>
	)
}
