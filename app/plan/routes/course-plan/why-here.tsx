import { Button } from 'antd'
import { useState } from 'react'
import { compareObjectives, FELT_LEVELS } from '../../../../core/plan/problem/objective'
import type { Freed } from '../../../../core/plan/why/free-wait'
import { usePlanSearch } from '../../solving/use-plan-search'
import { duration, wait } from '../../../shared/words/times'
import type { PlanData } from './load-plan.server'
import { pinKey, tasksOfPin } from '../../../../core/course/course-pin'
import { pinWords } from '../../words/pins'
import { nameOfTask } from '../../words/tasks'
import { useHands } from './hands/hands-context'

type Why = NonNullable<PlanData['why']>

/** What holds a step where it stands, how far it could move, and what would change without its wait. */
export function WhyHere({ why, plan, taskId }: { why: Why; plan: PlanData; taskId: string }) {
	const hands = useHands()
	const { pins = [], sessions } = hands?.course ?? plan.course
	const settled = pins.filter((pin) => tasksOfPin(pin).includes(taskId))
	const { holds, earlierMinutes, laterMinutes } = why
	const waited = holds.find((hold) => hold.kind === 'wait' && hold.minutes > 0)
	return (
		<>
			<dt>What holds it here</dt>
			<dd>
				{holds.length === 0 && settled.length === 0 && <span>nothing: it could start earlier.</span>}
				{settled.map((pin) => (
					<span key={pinKey(pin)}>you settled it ({pinWords(pin, { names: plan.names, sessions })}).</span>
				))}
				{holds.map((hold) => (
					<span key={hold.kind + ('task' in hold ? hold.task : '')}>{holdWords(hold)}.</span>
				))}
			</dd>
			<dt>Could move</dt>
			<dd>
				{earlierMinutes === 0 && laterMinutes === 0 ? (
					<span>not at all, with all else in place, without harm.</span>
				) : (
					<span>{moveWords(earlierMinutes, laterMinutes)}, with all else in place, without harm.</span>
				)}
				{waited && 'arc' in waited && <WithoutWait arc={waited.arc} plan={plan} />}
			</dd>
		</>
	)
}

function WithoutWait({ arc, plan }: { arc: number; plan: PlanData }) {
	const { without } = usePlanSearch(plan.courseId)
	const [answer, setAnswer] = useState<{ arc: number; freed: Freed | undefined | 'asked' }>()
	const asked = answer?.arc === arc ? answer.freed : 'not asked'
	if (asked === 'not asked') {
		return (
			<Button
				type="link"
				className="as-link no-print"
				onClick={() => {
					setAnswer({ arc, freed: 'asked' })
					void without(arc).then((freed) => setAnswer({ arc, freed }))
				}}
			>
				And if it did not have to wait?
			</Button>
		)
	}
	return (
		<span aria-live="polite">
			{asked === 'asked' ? 'Planning it anew without that wait…' : freedWords(asked, plan)}
		</span>
	)
}

function freedWords(freed: Freed | undefined, { objective }: PlanData): string {
	if (!freed || !objective) return 'Without that wait no plan was found in time.'
	const { objective: without, isProven } = freed
	if (compareObjectives(without, objective, FELT_LEVELS) >= 0)
		return isProven ? 'Without that wait nothing would be better.' : 'Nothing better was found without that wait.'
	const gains = [
		gain(objective.shortfall, without.shortfall, 'less is missing'),
		gain(objective.prepMinutes, without.prepMinutes, 'less of your time'),
		gain(objective.finish, without.finish, 'earlier at the end'),
		gain(objective.waiting, without.waiting, 'less waiting'),
		gain(objective.crowding, without.crowding, 'more to spare at the ends'),
		gain(objective.apart, without.apart, 'less between what belongs together'),
	].filter(Boolean)
	return `Without that wait: ${gains.length > 0 ? gains.join(', ') : 'more could be taught in class'}.`
}

function gain(before: number | undefined, after: number | undefined, what: string): string {
	return before !== undefined && after !== undefined && after < before ? `${duration(before - after)} ${what}` : ''
}

function holdWords(hold: Why['holds'][number]): string {
	switch (hold.kind) {
		case 'wait':
			return hold.minutes > 0
				? `${nameOfTask(hold.source)} ${hold.isDrying ? 'dries' : 'comes'} ${wait(hold.minutes)} before it, to the minute`
				: `it follows ${nameOfTask(hold.source)}`
		case 'hands':
			return `the hands are busy with ${nameOfTask(hold.source)} until then`
		case 'opening':
			return `session ${hold.session} opens then`
		case 'break':
			return 'the break is over then'
		case 'limit':
			return `${nameOfTask(hold.source)} must follow within ${wait(hold.minutes)}`
	}
}

function moveWords(earlier: number, later: number): string {
	const parts = [
		...(earlier > 0 ? [`${duration(earlier)} earlier`] : []),
		...(later > 0 ? [`${duration(later)} later`] : []),
	]
	return parts.join(' or ')
}
