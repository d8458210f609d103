import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { Form } from 'react-router'
import { compareObjectives } from '../../../../core/plan/problem/objective'
import type { Objective } from '../../../../core/plan/problem/objective'
import type { Plan } from '../../../../core/plan/problem/plan'
import { wallTimeAfter } from '../../../../core/time/zone'
import { usePlanSearch, type PlanProblem, type SearchState } from '../../solving/use-plan-search'
import { nameAlternative } from '../../words/alternatives'
import { isProvenBest, proofWords } from '../../words/proof'
import { clock, count, duration, shortDay } from '../../../shared/words/times'
import { missingWords } from '../../words/missing'
import type { PlanData } from './load-plan.server'

/** Looks for a better plan in the browser, and for the few that differ: what is found may be kept. */
export function PlanSearch({ plan }: { plan: PlanData }) {
	const search = usePlanSearch(plan.courseId)
	const { state } = search
	const isBusy = state.kind === 'improving' || state.kind === 'comparing'
	const { close } = search
	// What was found belongs to the plan that stood then.
	useEffect(() => close, [plan.planId]) // eslint-disable-line react-hooks/exhaustive-deps
	return (
		<section className="plan-search stack no-print" aria-label="Better plans and alternatives">
			<div className="row">
				{!isSettled(plan) && (
					<Button disabled={isBusy} onClick={() => void search.improve()}>
						Look for a better plan
					</Button>
				)}
				{plan.status !== 'impossible' && plan.objective?.shortfall === 0 && (
					<Button disabled={isBusy} onClick={() => void search.compare()}>
						Show alternatives
					</Button>
				)}
				{isBusy && <Button onClick={search.stop}>Stop</Button>}
			</div>
			<div aria-live="polite" className="stack">
				<SearchAnswer plan={plan} state={state} />
			</div>
		</section>
	)
}

/** Nothing better is to be found. */
function isSettled({ status, objective, proven }: PlanData): boolean {
	return (
		isProvenBest({ objective, proven }) ||
		status === 'impossible' ||
		(status === 'infeasible' && proven.shortfall === objective?.shortfall)
	)
}

function SearchAnswer({ plan, state }: { plan: PlanData; state: SearchState }) {
	switch (state.kind) {
		case 'idle':
			return null
		case 'failed':
			return <p role="alert">The search could not be started: check the connection and try again.</p>
		case 'comparing':
			return <p>Looking for plans that differ: fewer sessions, less of your time, less strain…</p>
		case 'improving':
			return (
				<>
					<p>
						<Elapsed since={state.startedAt} />{' '}
						{state.best ? <BestSoFar problem={state.problem} found={state.best.objective} /> : 'Setting up…'}
					</p>
					{state.best && <p className="soft small">{proofWords(state.best)}</p>}
				</>
			)
		case 'improved':
			return <Improved plan={plan} state={state} />
		case 'compared':
			return <Alternatives plan={plan} state={state} />
	}
}

function Elapsed({ since }: { since: number }) {
	const [now, setNow] = useState(since)
	useEffect(() => {
		const timer = setInterval(() => setNow(Date.now()), 1000)
		return () => clearInterval(timer)
	}, [])
	return <span className="soft">{Math.max(0, Math.round((now - since) / 1000))} s.</span>
}

function BestSoFar({ problem, found }: { problem: PlanProblem | undefined; found: Objective | undefined }) {
	return found ? <>Best so far: {objectiveWords(found, problem)}.</> : <>No plan yet that keeps every “within”.</>
}

function Improved({ plan, state }: { plan: PlanData; state: Extract<SearchState, { kind: 'improved' }> }) {
	const { best, problem, isStopped } = state
	const isBetter = best.objective && (!plan.objective || compareObjectives(best.objective, plan.objective) < 0)
	const isMoreProven = Object.keys(best.proven).length > Object.keys(plan.proven).length
	return (
		<>
			<p>
				{isBetter ? 'Better: ' : isStopped ? 'Nothing better until it was stopped. ' : 'Nothing better was found. '}
				{best.objective && isBetter && `${objectiveWords(best.objective, problem)}.`}
			</p>
			<p className="soft small">{proofWords(best)}</p>
			{best.plan && (isBetter || isMoreProven) && (
				<KeepForm plan={plan} chosen={best.plan} label={isBetter ? 'Keep this plan' : 'Keep the proof'} />
			)}
		</>
	)
}

function Alternatives({ plan, state }: { plan: PlanData; state: Extract<SearchState, { kind: 'compared' }> }) {
	const { alternatives, problem } = state
	if (alternatives.length < 2) return <p>No other plan is better in any respect: there is nothing to choose.</p>
	return (
		<ol className="alternatives">
			{alternatives.map((alternative) => {
				const { objective, isProven } = alternative
				const stands = plan.objective !== undefined && compareObjectives(objective, plan.objective) === 0
				return (
					<li key={JSON.stringify(objective)}>
						<b>{nameAlternative(alternative, problem.compiled)}</b>
						<span className="small">
							ends {endWords(objective, problem)}, {duration(objective.waiting ?? 0)} of waiting
							{!isProven && ', perhaps not quite the best of its kind'}
						</span>
						{stands ? (
							<span className="soft small">the plan below</span>
						) : (
							<KeepForm plan={plan} chosen={alternative.plan} label="Take this one" />
						)}
					</li>
				)
			})}
		</ol>
	)
}

function KeepForm({ plan, chosen, label }: { plan: PlanData; chosen: Plan; label: string }) {
	return (
		<Form method="post" preventScrollReset>
			<input type="hidden" name="version" value={plan.version} />
			<input type="hidden" name="planId" value={plan.planId} />
			<input type="hidden" name="plan" value={JSON.stringify(chosen)} />
			<Button type="primary" htmlType="submit" name="intent" value="keep-plan">
				{label}
			</Button>
		</Form>
	)
}

function objectiveWords(objective: Objective, problem: PlanProblem | undefined): string {
	if (objective.shortfall > 0) return missingWords(objective.shortfall)
	const { prepMinutes = 0, waiting = 0, splits = 0 } = objective
	return [
		`ends ${endWords(objective, problem)}`,
		`${duration(waiting)} of waiting`,
		...(prepMinutes > 0 ? [`${duration(prepMinutes)} of your time before`] : []),
		...(splits > 0 ? [`${count(splits, 'step')} taken up again`] : []),
	].join(', ')
}

function endWords({ finish = 0 }: Objective, problem: PlanProblem | undefined): string {
	if (!problem) return ''
	const { date, minuteOfDay } = wallTimeAfter(problem.compiled.origin, finish)
	return `${shortDay(date)}, ${clock(minuteOfDay)}`
}
