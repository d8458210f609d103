import { Button } from 'antd'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Form, Link } from 'react-router'
import { comparePlans } from '../../../../core/plan/tell/plan-differences'
import { listPlans } from '../../../../db/repositories/plans.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { wallTimeOf } from '../../../shared/http/studio-clock.server'
import { readPlan } from '../../read-plan.server'
import { missingWords } from '../../words/missing'
import { proofWords } from '../../words/proof'
import { Disclosure } from '../../../shared/native/disclosure'
import { count, duration, momentWords } from '../../../shared/words/times'
import { differenceWords } from '../../words/differences'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, params)
		const { fingerprint } = await readPlan(studio, course)
		const plans = await listPlans(studio.id, course.id)
		return {
			courseId: course.id,
			version: course.version,
			plans: plans.map(({ id, createdAt, document, reason, ...stored }, p) => {
				const before = plans[p + 1]?.document
				const { status, objective, proven, bounds } = document
				return {
					id,
					reason,
					madeAt: wallTimeOf(createdAt, studio.timeZone),
					fitsNow: stored.fingerprint === fingerprint,
					status,
					objective,
					proof: proofWords({ status, objective, proven, bounds }),
					differences: before ? comparePlans(before, document) : undefined,
				}
			}),
		}
	})
}

type KeptPlan = Awaited<ReturnType<typeof loader>>['plans'][number]

/** Differences said before the rest is only counted. */
const MOST_DIFFERENCES = 12

/** Earlier plans of a course, with what changed from one to the next. */
export default function PlanHistoryPage({ loaderData: { plans, courseId, version } }: Route.ComponentProps) {
	return (
		<section className="stack plan-history">
			<div className="row">
				<h2>Plans of this course</h2>
				<Link to={`/courses/${courseId}/plan`}>Back to the plan</Link>
				<Link to={`/courses/${courseId}/plan/compare`}>Compare</Link>
			</div>
			<ol reversed>
				{plans.map((plan, p) => (
					<li key={plan.id} className="sheet stack">
						<div className="row">
							<h3>{momentWords(plan.madeAt)}</h3>
							{p === 0 && <span className="soft">the one that stands</span>}
							{p > 0 && plan.objective && (
								<Form method="post" action={`/courses/${courseId}/plan`}>
									<input type="hidden" name="version" value={version} />
									<input type="hidden" name="planId" value={plan.id} />
									<Button htmlType="submit" name="intent" value="bring-back">
										Bring it back
									</Button>
								</Form>
							)}
							{!plan.fitsNow && <span className="soft">the course was another then, and comes back with it</span>}
						</div>
						{plan.reason && <p>{plan.reason}</p>}
						<p>{figureWords(plan)}</p>
						<p className="soft small">{plan.proof}</p>
						<Changes differences={plan.differences} />
					</li>
				))}
			</ol>
		</section>
	)
}

function Changes({ differences }: Pick<KeptPlan, 'differences'>) {
	if (!differences) return <p className="soft small">The first that is kept.</p>
	if (differences.length === 0) return <p className="small">The same as the one before, step for step.</p>
	const rest = differences.length - MOST_DIFFERENCES
	return (
		<Disclosure head={`${count(differences.length, 'change')} from the one before`}>
			<ul className="small">
				{differences.slice(0, MOST_DIFFERENCES).map((difference) => (
					<li key={differenceWords(difference)}>{differenceWords(difference)}</li>
				))}
				{rest > 0 && <li>and {rest} more</li>}
			</ul>
		</Disclosure>
	)
}

function figureWords({ objective, status }: Pick<KeptPlan, 'objective' | 'status'>): string {
	if (!objective) return status === 'impossible' ? 'It cannot be made as it is' : 'No plan was found yet'
	if (objective.shortfall > 0) return missingWords(objective.shortfall)
	const { prepMinutes = 0, waiting = 0, splits = 0 } = objective
	return `It fits: ${duration(prepMinutes)} of your time before, ${duration(waiting)} of waiting, ${count(splits, 'step')} taken up again`
}
