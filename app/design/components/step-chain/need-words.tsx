import { limitOf } from '../../../../core/design/need-limit'
import type { Part, Step } from '../../../../core/design/design'
import { wait } from '../../../shared/words/times'
import './need-words.css'

interface NeedWordsProps {
	step: Pick<Step, 'id' | 'needs'>
	/** Of the same chain. */
	steps: readonly Pick<Step, 'id'>[]
	allSteps: readonly Pick<Step, 'id' | 'part'>[]
	/** Of the design, or kinds of them. */
	parts: readonly NamedPart[]
	/** What waits are reckoned to take, by `reckonedKey`. */
	reckoned?: Readonly<Record<string, string>>
}

interface NamedPart extends Pick<Part, 'id' | 'name'> {
	of?: string
	partName?: string
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
				const name = nameOfPart(parts, before?.part)?.toLowerCase()
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

/** Kinds of a part bear its name. */
function nameOfPart(parts: readonly NamedPart[], part: string | undefined): string | undefined {
	const found = parts.find(({ id, of = id }) => of === part)
	return found?.partName ?? found?.name
}
