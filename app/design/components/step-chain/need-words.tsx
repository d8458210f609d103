import { limitOf } from '../../../../core/design/need-limit'
import type { Part, Step } from '../../../../core/design/design'
import { wait } from '../../../shared/words/times'
import './need-words.css'

interface NeedWordsProps {
	step: Pick<Step, 'id' | 'needs'>
	/** Of the same chain. */
	steps: readonly Pick<Step, 'id'>[]
	allSteps: readonly Pick<Step, 'id' | 'part'>[]
	parts: readonly Pick<Part, 'id' | 'name'>[]
	/** What waits are reckoned to take, by `reckonedKey`. */
	reckoned?: Readonly<Record<string, string>>
}

/** Address of a need among the reckoned ones. */
export function reckonedKey(stepId: string, afterId: string): string {
	return `${stepId} ${afterId}`
}

/** What stands between a step and those before it: stages, waits, limits, other parts. Nothing for mere order in a chain. */
export function NeedWords({ step, steps, allSteps, parts, reckoned = {} }: NeedWordsProps) {
	const told = step.needs.filter(
		(need) => need.wait || limitOf(need) !== undefined || !steps.some(({ id }) => id === need.after),
	)
	if (told.length === 0) return null
	return (
		<li className="step-needs small">
			{told.map((need) => {
				const { after, wait: drying, isCovered } = need
				const limit = limitOf(need)
				const before = allSteps.find(({ id }) => id === after)
				const name = parts.find(({ id }) => id === before?.part)?.name.toLowerCase()
				const computed = reckoned[reckonedKey(step.id, after)]
				const isOwn = steps.some(({ id }) => id === after)
				return (
					<span key={after}>
						{!isOwn && `${name ?? 'flower'} `}
						{[
							drying
								? `${drying.stage ?? 'wait'}, ${drying.isByHand ? 'always' : 'usually'} ${wait(drying.usualMinutes)}${computed && !drying.isByHand ? `, reckoned ${computed}` : ''}`
								: isOwn
									? ''
									: 'done',
							limit === undefined ? '' : `${isCovered ? 'kept covered' : 'while still damp'}: within ${wait(limit)}`,
						]
							.filter(Boolean)
							.join(', ')}
					</span>
				)
			})}
		</li>
	)
}
