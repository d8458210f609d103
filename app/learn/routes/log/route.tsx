/** What past classes have taught: beliefs with their doubt, whether they are any good, and each class as it was. */
import { lazy, Suspense } from 'react'
import { setLearntMinutes } from '../../../../db/repositories/accounts.server'
import { leaveOut } from '../../../../db/repositories/observations.server'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { loadLog, planWithLearnt } from '../../load-log.server'
import { logActions } from '../../schemas/log'
import { goodnessWords, thirdsWords } from '../../words/log'
import type { Route } from './+types/route'
import { BelievedList } from './believed-list'
import { ClassList } from './class-list'
import { PlansSheet } from './plans-sheet'
import './log.css'

const LookingBack = lazy(() => import('./looking-back'))

export function meta() {
	return [{ title: 'The log · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	return loading(() => loadLog(context.get(memberContext).studio))
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const input = await readIntent(request, logActions)
		switch (input.intent) {
			case 'leave-out':
				await leaveOut(studio.id, input.id, input.reason)
				break
			case 'take-in':
				await leaveOut(studio.id, input.id, null)
				break
			case 'plan-with':
				await planWithLearnt(studio)
				break
			case 'plan-stated':
				await setLearntMinutes(studio.id, null)
		}
		return { done: true }
	})
}

export default function LogPage({ loaderData }: Route.ComponentProps) {
	const { techniques, steps, figures, thirds, classes, hasExamples } = loaderData
	const isAlive = useHydrated()
	return (
		<>
			<div className="page-head">
				<h1>The log</h1>
			</div>
			<div className="stack">
				<section className="sheet stack" aria-label="Is it any good?">
					<p className="log-answer">{goodnessWords(figures)}</p>
					{figures.count > 0 && <p className="soft">{thirdsWords(thirds)}</p>}
					{classes.length === 0 && (
						<p className="soft">
							A session that is taught on the tablet and closed leaves its real minutes here; what is learnt from them
							stands beside what the designs state.
						</p>
					)}
					{hasExamples && (
						<p className="soft small">
							The classes of the past year are examples: made up, played from a hidden truth.
						</p>
					)}
					{figures.count > 0 && (
						<div className="log-chart">
							{isAlive && (
								<Suspense fallback={null}>
									<LookingBack classes={classes} />
								</Suspense>
							)}
						</div>
					)}
				</section>
				{techniques.length > 0 && (
					<BelievedList title="Techniques" about="against the minutes that are stated" list={techniques} />
				)}
				{steps.length > 0 && <BelievedList title="Steps" about="the surest to differ first" list={steps} />}
				{figures.count > 0 && <PlansSheet since={loaderData.plansSince} />}
				{classes.length > 0 && <ClassList classes={classes} />}
			</div>
		</>
	)
}
