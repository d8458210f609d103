import { Button } from 'antd'
import { present } from '../../../../core/present'
import type { PlanStory } from '../../../../core/plan/tell/plan-story'
import type { StepStory, StepWait } from '../../../../core/plan/tell/step-story'
import { Form, Link } from 'react-router'
import { clock, count, duration, sessionName, shortDay, wait } from '../../../shared/words/times'
import { explainWait, percentSure, waitSpan } from '../../../drying/words/waits'
import { PlainNumber } from '../../../shared/components/fields/plain-fields'
import { Disclosure } from '../../../shared/native/disclosure'
import type { PlanData } from './load-plan.server'
import { halvesWords, nameOfTask, piecesWords } from '../../words/tasks'
import type { Named } from '../../words/pins'
import { useHands, type Hands } from './hands/hands-context'
import { PinMenu } from './hands/pin-menu'
import { SlackBar } from './hands/slack-bar'
import { WhyHere } from './why-here'

/** One step: where it stands, why there, and what waits for it. */
export function StepCard({
	step,
	story,
	plan,
	named,
}: {
	step: StepStory
	story: PlanStory
	plan: PlanData
	named: Named
}) {
	const { source, runs, minutes, waitsFor, isWaitedForBy, after } = step
	const isDemo = source.type === 'demo'
	return (
		<>
			<div>
				<p className="soft">{isDemo ? 'You show' : source.partName}</p>
				<h2>{source.label}</h2>
			</div>
			{!isDemo && <p>{source.sentence}</p>}
			{!isDemo && source.halves && runs[0] && <p>{halvesWords(source.halves, runs[0].startMin)}</p>}
			<dl className="figures wide">
				<dt>When</dt>
				{runs.map(({ session, startMin, endMin, pieceCount }) => (
					<dd key={`${session} ${startMin}`}>
						{sessionOf(story, session)}, {clock(startMin)}–{clock(endMin)}
						{runs.length > 1 && `, ${count(pieceCount, 'piece')}`}
					</dd>
				))}
				<dt>Takes</dt>
				<dd>
					{duration(minutes)}
					{!isDemo &&
						` for ${piecesWords(source, source.pieceCount)}${source.batchSizes.length > 1 ? `, reckoned in ${source.batchSizes.length} batches` : ''}`}
				</dd>
				<dt>Comes after</dt>
				<dd>
					{waitsFor.length === 0 &&
						after.length === 0 &&
						(isDemo ? 'nothing: shown before it is first needed.' : 'nothing: it can be the first of all.')}
					{waitsFor.map((waiting) => (
						<WaitWords key={nameOfTask(waiting.other)} waiting={waiting} story={story} plan={plan} />
					))}
					{after.map(({ other, withinMinutes }) => (
						<span key={nameOfTask(other)}>
							after {nameOfTask(other)}
							{withinMinutes !== undefined && `, and within ${wait(withinMinutes)} of it, while still damp`}.
						</span>
					))}
				</dd>
				{plan.why && <WhyHere why={plan.why} plan={plan} taskId={step.taskId} />}
				{plan.why && runs[0] && (
					<dd>
						<SlackBar
							key={`${step.taskId} ${runs[0].startMin}`}
							taskId={step.taskId}
							session={runs[0].session + 1}
							startMin={runs[0].startMin}
							earlierMinutes={plan.why.earlierMinutes}
							laterMinutes={plan.why.laterMinutes}
						/>
					</dd>
				)}
				{isWaitedForBy.length > 0 && (
					<>
						<dt>Waits for it</dt>
						<dd>
							{isWaitedForBy.map(({ other, stage, wait: source, thread }) => (
								<span key={nameOfTask(other)}>
									{nameOfTask(other)}, {sessionOf(story, thread.to.session).toLowerCase()}: {stage ?? 'wait'},{' '}
									{waitSpan(source)}.
								</span>
							))}
						</dd>
					</>
				)}
			</dl>
			<PinMenu step={step} named={named} mayBe={plan.mayBe} />
		</>
	)
}

function WaitWords({
	waiting: { other, stage, wait: source, isSwapped, thread },
	story,
	plan,
}: {
	waiting: StepWait
	story: PlanStory
	plan: PlanData
}) {
	const hands = useHands()
	const made = sessionOf(story, thread.from.session).toLowerCase()
	const link = plan.dryingLinks[source.key]
	return (
		<>
			{isSwapped ? (
				<span>You bring {nameOfTask(other)} dry, in exchange for the fresh piece.</span>
			) : (
				<span>
					{nameOfTask(other)} ends on {made}
					{thread.readyAt &&
						`; ${stage ?? 'ready'} by ${shortDay(thread.readyAt.date)}, ${clock(thread.readyAt.minuteOfDay)}`}
					{thread.sure !== undefined && `, and ${percentSure(thread.sure)} sure when it is needed`}.
				</span>
			)}
			<Disclosure className="wait-reasons" head={`Why ${waitSpan(source)}?`}>
				<ul>
					{explainWait(source).map((line) => (
						<li key={line}>{line}</li>
					))}
				</ul>
				{link && <Link to={link}>See it dry, and what would help</Link>}
				{thread.maySwap && <BringDry thread={thread} />}
				<Form
					method="post"
					className="wait-by-hand no-print"
					preventScrollReset
					onSubmit={(event) => {
						const minutes = readMinutes(event, hands)
						if (minutes) hands?.edit({ kind: 'wait', key: source.key, ...minutes })
					}}
				>
					<input type="hidden" name="version" value={plan.version} />
					<input type="hidden" name="key" value={source.key} />
					<PlainNumber
						key={source.plannedMinutes}
						name="minutes"
						label="Set by hand"
						unit="minutes"
						defaultValue={Math.min(43200, source.plannedMinutes ?? source.usualMinutes)}
						isRequired
					/>
					<Button htmlType="submit" name="intent" value="set-wait">
						Hold it
					</Button>
					{source.basis === 'by hand' && plan.waitsByHand.includes(source.key) && (
						<Button htmlType="submit" name="intent" value="free-wait">
							Compute again
						</Button>
					)}
				</Form>
			</Disclosure>
		</>
	)
}

/** With scripts a wait set by hand is tried like any other change; undefined: the form goes its own way. */
function readMinutes(
	event: React.FormEvent<HTMLFormElement>,
	hands: Hands | undefined,
): { minutes?: number } | undefined {
	const pressed = (event.nativeEvent as SubmitEvent).submitter
	if (!hands || !(pressed instanceof HTMLButtonElement)) return undefined
	const minutes = Number(new FormData(event.currentTarget).get('minutes'))
	if (pressed.value === 'set-wait' && !(Number.isInteger(minutes) && minutes >= 1)) return undefined
	event.preventDefault()
	return pressed.value === 'set-wait' ? { minutes } : {}
}

/** Whether dried pieces are to be brought for this wait. */
function BringDry({ thread: { fromTaskId: from, toTaskId: to, isSwapped } }: { thread: StepWait['thread'] }) {
	const hands = useHands()
	if (!hands) return null
	return (
		<Button
			size="small"
			className="no-print"
			onClick={() => hands.edit({ kind: 'pin', pin: { kind: 'swap', from, to, isSwapped: !isSwapped } })}
		>
			{isSwapped ? 'Do not bring it dry' : 'Bring it dry'}
		</Button>
	)
}

function sessionOf(story: PlanStory, index: number): string {
	return sessionName(present(story.sessions[index], 'a session of the plan').session.startMin, index + 1)
}
