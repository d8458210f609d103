import { Form, Link, redirect, useSearchParams } from 'react-router'
import { withExtraSession } from '../../../core/courses/extra-session'
import { withFlowers, withLaterEnd } from '../../../core/courses/ways-out'
import { ConflictError } from '../../../core/errors'
import { getCourse } from '../../../db/repositories/courses.server'
import { PlanBands } from '../../components/plan-bands/plan-bands'
import { memberContext } from '../../http/contexts'
import { readBody, readId } from '../../http/read-input.server'
import { acting, loading } from '../../http/responses.server'
import { bringBackPlan, keepPlan } from '../../plans/keep-plan.server'
import { planAnew } from '../../plans/read-plan.server'
import { setWait, takeNewDesigns, updatePlannedCourse } from '../../plans/save-course.server'
import { planActionSchema } from '../../schemas/plan-action'
import type { Route } from './+types/route'
import { ElsewhereRibbon } from './elsewhere-ribbon'
import { HopelessNotice } from './hopeless-notice'
import { loadPlan } from './load-plan.server'
import { MisfitNotice } from './misfit-notice'
import { NewerDesigns } from './newer-designs'
import { PlanList } from './plan-list'
import { PlanSummary } from './plan-summary'
import { StepCard } from './step-card'
import { TileLink } from './tile-link'
import './course-plan.css'

export function loader({ params, request, context }: Route.LoaderArgs) {
	const selected = new URL(request.url).searchParams.get('step')
	return loading(() => loadPlan(context.get(memberContext).studio, readId(params.courseId), selected))
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const body = await readBody(request, planActionSchema)
		const { intent, version, key, minutes } = body
		const course = await getCourse(studio.id, readId(params.courseId))
		switch (intent) {
			case 'plan-anew':
				await planAnew(studio, course)
				break
			case 'take-new-designs':
				refuseOldVersion(version, course.version)
				await takeNewDesigns(studio, course)
				break
			case 'set-wait':
			case 'free-wait':
				refuseOldVersion(version, course.version)
				await setWait(studio, course, key ?? '', intent === 'set-wait' ? minutes : undefined)
				break
			case 'add-session':
				refuseOldVersion(version, course.version)
				await updatePlannedCourse(studio, { ...course, ...withExtraSession(course) })
				break
			case 'end-later':
				refuseOldVersion(version, course.version)
				await updatePlannedCourse(studio, { ...course, sessions: withLaterEnd(course, minutes ?? 0) })
				break
			case 'fewer-flowers':
				refuseOldVersion(version, course.version)
				await updatePlannedCourse(studio, { ...course, ...withFlowers(course, body.design ?? 0, body.flowers ?? 1) })
				break
			case 'keep-plan':
				refuseOldVersion(version, course.version)
				await keepPlan(studio, course, body.plan ?? '')
				break
			case 'bring-back':
				await bringBackPlan(studio, course, body.planId ?? 0)
				break
		}
		const selected = new URL(request.url).searchParams.get('step')
		return redirect(`/courses/${course.id}/plan${selected ? `?${new URLSearchParams({ step: selected })}` : ''}`)
	})
}

function refuseOldVersion(shown: number, current: number): void {
	if (shown !== current) throw new ConflictError('The course was changed in another window meanwhile: look again.')
}

export default function CoursePlanPage({ loaderData, actionData }: Route.ComponentProps) {
	const { story, isOutdated, selected } = loaderData
	const [searchParams] = useSearchParams()
	return (
		<>
			{actionData && 'message' in actionData && (
				<p className="alert" role="alert">
					{actionData.message}
				</p>
			)}
			{isOutdated && (
				<Form method="post" className="alert row" role="status">
					<span>What this plan was made from has changed since. It is shown as it was.</span>
					<input type="hidden" name="version" value={loaderData.version} />
					<button className="button-link" name="intent" value="plan-anew">
						Plan anew
					</button>
				</Form>
			)}
			<NewerDesigns newer={loaderData.newerDesigns} version={loaderData.version} />
			<HopelessNotice plan={loaderData} />
			{(!story || story.shortfall) && <MisfitNotice plan={loaderData} />}
			{story && (
				<div className="plan-top">
					<section aria-label="The plan">
						<ElsewhereRibbon story={story} />
						<div className="scroll-x" tabIndex={0} role="region" aria-label="Picture of the plan">
							<PlanBands
								story={story}
								Link={TileLink}
								linkTo={(taskId) => `?${new URLSearchParams({ step: taskId })}`}
								threadLinks={loaderData.dryingLinks}
								selectedTaskId={searchParams.get('step') ?? undefined}
							/>
						</div>
					</section>
					<aside className="sheet stack plan-card" aria-live="polite">
						{selected ? (
							<StepCard step={selected} story={story} plan={loaderData} />
						) : (
							<PlanSummary plan={loaderData} story={story} />
						)}
						{selected && (
							<Link to="?" preventScrollReset className="no-print">
								The whole plan
							</Link>
						)}
					</aside>
				</div>
			)}
			{story && <PlanList story={story} />}
		</>
	)
}
