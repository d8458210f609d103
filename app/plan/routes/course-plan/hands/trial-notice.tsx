import { Button, Input, Popover, Spin } from 'antd'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import { pinKey } from '../../../../../core/course/course-pin'
import type { Course } from '../../../../../core/course/course'
import type { Plan } from '../../../../../core/plan/problem/plan'
import { isProvenBest } from '../../../words/proof'
import { gainsAndCosts } from '../../../words/trial'
import { pinWords, type Named } from '../../../words/pins'
import { missingWords } from '../../../words/missing'
import type { Refusal } from '../../../../shared/http/refusal'
import type { Trial } from '../../../trial/use-trial'
import type { PlanData } from '../load-plan.server'
import { ConflictWords } from './conflict-words'

interface TrialNoticeProps {
	trial: Trial
	/** The plan that stands. */
	plan: PlanData
	named: Named
}

/** What is tried costs and gains, and what is to become of it; nothing stands before it is kept. */
export function TrialNotice({ trial, plan, named }: TrialNoticeProps) {
	const { phase, refused, session } = trial
	return (
		<div aria-live="polite" className="trial-notice no-print">
			{refused && <p className="alert">That cannot be: {refused}.</p>}
			{phase.kind === 'stale' && (
				<div className="alert row">
					<span>This course was changed elsewhere, and what you tried here is not kept yet.</span>
					<Button onClick={session.tryAgain}>Try the same on it</Button>
					<Button onClick={session.giveUp}>Forget what I tried</Button>
				</div>
			)}
			{phase.kind === 'failed' && (
				<div className="alert row">
					<span>
						It could not be planned here: check the connection, and try again. Nothing that is kept has changed.
					</span>
					<Button onClick={() => session.undo(0)}>Try again</Button>
					<Button onClick={session.giveUp}>Give it up</Button>
				</div>
			)}
			{phase.kind === 'conflict' && <ConflictWords phase={phase} session={session} named={named} />}
			{(phase.kind === 'laying' || phase.kind === 'improving' || phase.kind === 'laid') && (
				<Tried trial={trial} plan={plan} named={named} />
			)}
		</div>
	)
}

function Tried({ trial, plan, named }: TrialNoticeProps) {
	const { answer, phase, session } = trial
	if (!answer) {
		return (
			<p className="trial-tried row">
				<Spin size="small" /> Laying it…
			</p>
		)
	}
	const { shown, idle } = answer
	const fits = shown.objective?.shortfall === 0
	const words = gainsAndCosts(plan, shown)
	return (
		<section className={fits ? 'trial-tried' : 'trial-tried is-short'} aria-label="What is tried">
			<p>
				<b>{fits ? 'Tried, not kept.' : headOfMisfit(shown)}</b>{' '}
				{words.length > 0 ? `${words.join(', ')}.` : fits && 'Nothing that is told is better or worse.'}{' '}
				<span className="soft">{proofOf(phase.kind, shown)}</span>
			</p>
			{idle.length > 0 && (
				<p className="small">
					Settled, but of no step that there is: {idle.map((pin) => pinWords(pin, named)).join('; ')}.
				</p>
			)}
			{answer.plan && fits && (
				<KeepOrAside
					key={idle.map(pinKey).join()}
					plan={plan}
					course={session.course}
					tried={answer.plan}
					isBusy={phase.kind === 'laying'}
					onKeep={session.keeping}
				/>
			)}
			<Button onClick={session.giveUp}>Give it up</Button>
		</section>
	)
}

function headOfMisfit({ objective, status }: Pick<PlanData, 'objective' | 'status'>): string {
	if (status === 'impossible') return 'It cannot be made like that.'
	return objective ? `It does not fit like that: ${missingWords(objective.shortfall)}.` : 'No plan was found yet.'
}

function proofOf(phase: string, shown: Pick<PlanData, 'objective' | 'proven'>): string {
	if (phase === 'laying') return 'Laying it…'
	if (phase === 'improving') return 'A first plan; a better one is being looked for.'
	return isProvenBest(shown) ? 'Proven: nothing better keeps what is settled.' : 'Perhaps not the best of all.'
}

interface KeepProps {
	plan: PlanData
	course: Course
	tried: Plan
	isBusy: boolean
	/** What is tried is being kept; or, after all, is not. */
	onKeep: (isKeeping: boolean) => void
}

function KeepOrAside({ plan, course, tried, isBusy, onKeep }: KeepProps) {
	const fetcher = useFetcher<Refusal | { done: string }>()
	const refusal = fetcher.data && 'refused' in fetcher.data ? fetcher.data : undefined
	useEffect(() => {
		if (refusal) onKeep(false)
	}, [refusal, onKeep])
	const [name, setName] = useState('')
	const [isOpen, setOpen] = useState(false)
	const fields = {
		version: String(plan.version),
		course: JSON.stringify(withoutVersions(course)),
		plan: JSON.stringify(tried),
	}
	const send = (more: Record<string, string>) => void fetcher.submit({ ...fields, ...more }, { method: 'post' })
	const isSending = fetcher.state !== 'idle'
	return (
		<>
			<Button
				type="primary"
				disabled={isBusy}
				loading={isSending}
				onClick={() => {
					onKeep(true)
					send({ intent: 'keep-trial', planId: String(plan.planId) })
				}}
			>
				Keep it
			</Button>
			<Popover
				trigger="click"
				open={isOpen}
				onOpenChange={setOpen}
				content={
					<form
						className="stack"
						onSubmit={(event) => {
							event.preventDefault()
							send({ intent: 'set-aside', name: name.trim() || 'Another way' })
							setOpen(false)
						}}
					>
						<label className="stack">
							Name of this way
							<Input
								value={name}
								maxLength={80}
								onChange={(event) => setName(event.target.value)}
								placeholder="Another way"
							/>
						</label>
						<Button type="primary" htmlType="submit">
							Set it aside
						</Button>
					</form>
				}
			>
				<Button disabled={isBusy || isSending}>Set aside, to compare</Button>
			</Popover>
			{refusal && (
				<p role="alert">
					{[refusal.message, ...refusal.problems.map(({ message }) => message)]
						.filter((one, k, all) => all.indexOf(one) === k)
						.join(' ')}
				</p>
			)}
		</>
	)
}

/** Which version of a design a course has is for the server to say. */
function withoutVersions({ designs, ...course }: Course): Course {
	return { ...course, designs: designs.map(({ designVersion: _, ...item }) => item) }
}
