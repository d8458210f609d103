import { Button } from 'antd'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { useEffect } from 'react'
import { Form, Link, redirect, useRevalidator, useSearchParams } from 'react-router'
import { readSession } from '../../components/plan-bands/chosen-session'
import { PlanBands } from '../../components/plan-bands/plan-bands'
import { LinkButton } from '../../../shared/components/link-button'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { withTerms } from '../../../shared/address'
import { memberContext } from '../../../shared/http/contexts'
import { readId, readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { planActions } from '../../schemas/plan-action'
import type { Route } from './+types/route'
import { changePlan } from './change-plan.server'
import { ElsewhereRibbon } from './elsewhere-ribbon'
import { HopelessNotice } from './hopeless-notice'
import { RoomNotice } from './room-notice'
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
	return loading(async () => loadPlan(context.get(memberContext).studio, await courseOfPage(context, params), selected))
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		await changePlan(studio, courseId, await readIntent(request, planActions, { maxBytes: LARGEST_PLAN }))
		const selected = new URL(request.url).searchParams.get('step')
		return redirect(`/courses/${courseId}/plan${selected ? `?${new URLSearchParams({ step: selected })}` : ''}`)
	})
}

/** A plan kept from the browser comes as JSON in a field of a form. */
const LARGEST_PLAN = 1024 * 1024

/** So often a page that shows a quick plan asks whether there is a better one. */
const ASK_MS = 3_000

function Improving({ fits }: { fits: boolean }) {
	const { revalidate, state } = useRevalidator()
	useEffect(() => {
		const timer = setInterval(() => state === 'idle' && void revalidate(), ASK_MS)
		return () => clearInterval(timer)
	}, [revalidate, state])
	return (
		<p className="told" role="status">
			{fits ? 'This is the first plan that was found. A better one' : 'None that fits has been found yet: one'} is being
			looked for, and will stand here by itself.
		</p>
	)
}

/** The plan: its picture, the card of what is chosen, and the same as lists. */
export default function CoursePlanPage({ loaderData, actionData }: Route.ComponentProps) {
	const { story, isOutdated, selected } = loaderData
	const [search] = useSearchParams()
	const chosenSession = story && readSession(search.get('session'), story)
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
					<input type="hidden" name="planId" value={loaderData.planId} />
					<Button htmlType="submit" name="intent" value="plan-anew">
						Plan anew
					</Button>
				</Form>
			)}
			{loaderData.isImproving && <Improving fits={loaderData.objective?.shortfall === 0} />}
			<NewerDesigns newer={loaderData.newerDesigns} version={loaderData.version} />
			<HopelessNotice plan={loaderData} />
			<RoomNotice plan={loaderData} />
			{(!story || story.shortfall) && <MisfitNotice plan={loaderData} />}
			{story && (
				<div className="plan-top">
					<section aria-label="The plan">
						<ElsewhereRibbon story={story} />
						{chosenSession !== undefined && (
							<LinkButton className="no-print" to={`?${withTerms(search, { session: undefined })}`} preventScrollReset>
								All sessions
							</LinkButton>
						)}
						<ScrollRegion label="Picture of the plan">
							<PlanBands
								story={story}
								links={{
									tile: (step) => `?${withTerms(search, { step })}`,
									session: (index) => `?${withTerms(search, { session: String(index + 1) })}`,
									threads: loaderData.dryingLinks,
									Link: TileLink,
								}}
								selectedTaskId={search.get('step') ?? undefined}
								chosenSession={chosenSession}
							/>
						</ScrollRegion>
					</section>
					<aside className="sheet stack plan-card" aria-live="polite">
						{selected ? (
							<StepCard step={selected} story={story} plan={loaderData} />
						) : (
							<PlanSummary plan={loaderData} story={story} />
						)}
						{selected && (
							<Link to={`?${withTerms(search, { step: undefined })}`} preventScrollReset className="no-print">
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
