import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import type { DryingAddress } from '../../drying-address'
import { hoursRange, hoursWords, slowWords, STAGE_WORDS } from '../../words/drying'
import { neededAir, percentSure, roomWords } from '../../words/waits'
import { momentWords } from './moments'

/** The answer, readable from across the bench. */
export function AnswerHeadline({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const { stage, start, by, days } = address
	const { p50, plan, claim, chance } = answer.stages[stage]
	const wanted = days === 0 ? by : days === 1 ? `${by} the next day` : `${by}, ${days} days later`
	const { sure, softensAtHours, beginEarlierHours, slow, cutOffs, sureBelow } = answer
	const isSafe = sure >= 0.9 && claim === 'sure'
	const isPromised = plan !== undefined
	return (
		<section
			className={isSafe ? 'drying-answer' : 'drying-answer is-doubtful'}
			aria-label="The answer"
			aria-live="polite"
		>
			<p className="drying-sure">
				{isPromised ? `${percentSure(sure)} sure` : claim === 'never' ? 'Never' : 'Not to be expected'}
				<span>
					{!isPromised
						? `${STAGE_WORDS[stage]} in this air: it needs ${neededAir(cutOffs[stage])}`
						: `that it is ${STAGE_WORDS[stage]} by ${wanted}`}
				</span>
			</p>
			{p50 !== undefined && plan !== undefined && (
				<p>
					{cap(STAGE_WORDS[stage])} after {hoursRange(p50, plan)}: even odds at <b>{momentWords(start, p50)}</b>,{' '}
					{claim === 'sure' ? '9 in 10 by' : 'to plan with'} <b>{momentWords(start, plan)}</b>.
				</p>
			)}
			{claim !== 'sure' && (
				<p className="drying-warning">
					{roomWords({ claim, ...(chance !== undefined && { chance }), ...(sureBelow !== undefined && { sureBelow }) })}
				</p>
			)}
			{softensAtHours !== undefined && (
				<p className="drying-warning">
					It gets there, but softens again from {momentWords(start, softensAtHours)} on: the air is too damp to keep it.
				</p>
			)}
			{beginEarlierHours !== undefined && sure < 0.9 && softensAtHours === undefined && (
				<p>
					Begun <b>{hoursWords(beginEarlierHours)} earlier</b> it would be ready 9 times in 10.
				</p>
			)}
			{slow.length > 0 && <p className="soft">Slow, because {slow.slice(0, 2).map(slowWords).join('; ')}.</p>}
		</section>
	)
}

function cap(words: string): string {
	return words.charAt(0).toUpperCase() + words.slice(1)
}
