import { Button } from 'antd'
import { Form, Link } from 'react-router'
import { pinKey } from '../../../../core/course/course-pin'
import type { PlanStory, SessionStory } from '../../../../core/plan/tell/plan-story'
import { isProvenBest, proofWords } from '../../words/proof'
import { pinWords } from '../../words/pins'
import { Why } from '../../../shared/components/why/why'
import { count, duration, sessionName } from '../../../shared/words/times'
import type { PlanData } from './load-plan.server'
import { PlanSearch } from './plan-search'
import { RehearsedLine } from './rehearsed-line'

/** The plan in figures, while no step is chosen. */
export function PlanSummary({ plan, story, isTried }: { plan: PlanData; story: PlanStory; isTried: boolean }) {
	const work = story.sessions.reduce((total, { workMinutes }) => total + workMinutes, 0)
	const waiting = story.sessions.reduce((total, { waitingMinutes }) => total + waitingMinutes, 0)
	const used = story.sessions.filter(({ tiles }) => tiles.length > 0).length
	const { objective } = plan
	return (
		<>
			<h2>{story.shortfall ? 'As far as it goes' : `It fits, in ${count(used, 'session')}`}</h2>
			<dl className="figures">
				<dt>Work for each student</dt>
				<dd>
					<Why reasons={bySession(story, ({ workMinutes }) => workMinutes)}>{duration(work)}</Why>
				</dd>
				<dt>Waiting between steps</dt>
				<dd>
					<Why reasons={bySession(story, ({ waitingMinutes }) => waitingMinutes)}>{duration(waiting)}</Why>
				</dd>
				<dt>Your time before</dt>
				<dd>{duration(story.prepMinutes)}</dd>
				{objective?.splits !== undefined && (
					<>
						<dt>Steps taken up again</dt>
						<dd>{objective.splits}</dd>
					</>
				)}
				{objective?.crowding ? (
					<>
						<dt>Short of time to spare</dt>
						<dd>
							<Why
								reasons={[
									'so many minutes lack of what the studio wants to spare at the end of a session (Studio, Plans)',
								]}
							>
								{duration(objective.crowding)}
							</Why>
						</dd>
					</>
				) : null}
				{objective?.apart ? (
					<>
						<dt>Between what belongs together</dt>
						<dd>
							<Why
								reasons={[
									'from a demonstration to the first step that uses it, and between steps wanted straight after one another',
									'another session in between counts an hour more',
								]}
							>
								{duration(objective.apart)}
							</Why>
						</dd>
					</>
				) : null}
			</dl>
			<p className={isProvenBest(plan) ? 'proof is-proven' : 'proof'}>{proofWords(plan)}</p>
			{!isTried && !story.shortfall && <RehearsedLine courseId={plan.courseId} planId={plan.planId} />}
			{!isTried && <PlanSearch plan={plan} />}
			<p className="soft small">
				Waits are computed for {plan.places.rooms.join(' and ')} and, between sessions, {plan.places.store}, so that
				pieces are ready {CONFIDENCE_WORDS[plan.confidence] ?? `in ${Math.round(100 * plan.confidence)} % of cases`}. On
				a thread the full bead is even odds, the open one 9 in 10. Choose a step to see what holds it there.
			</p>
			{!isTried && <SettledList plan={plan} />}
			<p className="row small no-print">
				{plan.planCounts.kept > 1 && <Link to="history">Earlier plans</Link>}
				{plan.planCounts.kept + plan.planCounts.aside > 1 && <Link to="compare">Compare plans</Link>}
			</p>
		</>
	)
}

/** What stands settled, with a press to lift each that needs no scripts. */
function SettledList({ plan: { course, names, version } }: { plan: PlanData }) {
	const { pins = [], sessions } = course
	if (pins.length === 0) return null
	return (
		<section aria-label="Settled by you">
			<h3>Settled by you</h3>
			<ul className="pin-list">
				{pins.map((pin) => (
					<li key={pinKey(pin)}>
						<span>{pinWords(pin, { names, sessions })}</span>
						<Form method="post" className="no-print" preventScrollReset>
							<input type="hidden" name="version" value={version} />
							<input type="hidden" name="pin" value={JSON.stringify(pin)} />
							<Button
								size="small"
								htmlType="submit"
								name="intent"
								value="lift-pin"
								aria-label={`Lift and plan anew: ${pinWords(pin, { names, sessions })}`}
							>
								Lift
							</Button>
						</Form>
					</li>
				))}
			</ul>
		</section>
	)
}

/** 'Evening 1: 1 h 41'; sessions that have none of it are not told. */
function bySession({ sessions }: PlanStory, minutesOf: (session: SessionStory) => number): string[] {
	return sessions
		.filter((session) => minutesOf(session) > 0)
		.map((session) => `${sessionName(session.session.startMin, session.number)}: ${duration(minutesOf(session))}`)
}

const CONFIDENCE_WORDS: Record<number, string> = {
	0.5: 'every other time',
	0.8: '8 times in 10',
	0.9: '9 times in 10',
	0.95: '19 times in 20',
}
