import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { useEffect } from 'react'
import { redirect, useRevalidator, useSearchParams } from 'react-router'
import { memberContext } from '../../../shared/http/contexts'
import { readId, readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { planActions } from '../../schemas/plan-action'
import type { Route } from './+types/route'
import { changePlan } from './change-plan.server'
import { useMayChange } from '../../../shared/may/use-may'
import { HandsContext } from './hands/hands-context'
import { HopelessNotice } from './hopeless-notice'
import { RoomNotice } from './room-notice'
import { loadPlan, type PlanData } from './load-plan.server'
import { MisfitNotice } from './misfit-notice'
import { OutdatedNotice } from './outdated-notice'
import { NewerDesigns } from './newer-designs'
import { PlanList } from './plan-list'
import { PlanTop } from './plan-top'
import { useTrial } from '../../trial/use-trial'
import './course-plan.css'

export function loader({ params, request, context }: Route.LoaderArgs) {
	const selected = new URL(request.url).searchParams.get('step')
	return loading(async () => loadPlan(context.get(memberContext).studio, await courseOfPage(context, params), selected))
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		const change = await readIntent(request, planActions, { maxBytes: LARGEST_PLAN })
		await changePlan(studio, courseId, change)
		const { searchParams } = new URL(request.url)
		const isTrial = change.intent === 'keep-trial' || change.intent === 'set-aside'
		// The page stays as it is looked at; so does another page that asked.
		if (isTrial || searchParams.has('stay')) return { done: change.intent }
		const selected = searchParams.get('step')
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
	return (
		<>
			{actionData && 'message' in actionData && (
				<p className="alert" role="alert">
					{[actionData.message, ...actionData.problems.map(({ message }) => message)].join(' ')}
				</p>
			)}
			<PlanDesk key={loaderData.courseId} plan={loaderData} />
		</>
	)
}

/** The plan that stands, and over it what is tried by hand. */
function PlanDesk({ plan }: { plan: PlanData }) {
	const [search] = useSearchParams()
	const trial = useTrial(plan.courseId, plan, search.get('step'))
	const { session, answer } = trial
	const tried = answer?.shown.story && { ...plan, ...answer.shown, story: answer.shown.story }
	const shown: PlanData = tried ?? plan
	const { course } = session
	// Whoever may change nothing has no hands on it.
	const hands = useMayChange() ? { course, edit: session.edit } : undefined
	return (
		<HandsContext value={hands}>
			<StandingNotices plan={plan} />
			{shown.story && (
				<PlanTop plan={plan} shown={{ ...shown, story: shown.story }} isTried={tried !== undefined} trial={trial} />
			)}
			{shown.story && <PlanList story={shown.story} />}
		</HandsContext>
	)
}

/** What is to be said of the plan that stands, whatever is tried. */
function StandingNotices({ plan }: { plan: PlanData }) {
	return (
		<>
			{plan.isOutdated && <OutdatedNotice plan={plan} />}
			{plan.isImproving && <Improving fits={plan.objective?.shortfall === 0} />}
			<NewerDesigns newer={plan.newerDesigns} version={plan.version} />
			<HopelessNotice plan={plan} />
			<RoomNotice plan={plan} />
			{(!plan.story || plan.story.shortfall) && <MisfitNotice plan={plan} />}
		</>
	)
}
