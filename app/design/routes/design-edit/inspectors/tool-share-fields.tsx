import type { Step } from '../../../../../core/design/design'
import { usualShare } from '../../../../../core/materials/sharing/usual-shares'
import { Disclosure } from '../../../../shared/native/disclosure'
import { NumberField } from '../../../../shared/components/fields/number-field'

interface ToolShareFieldsProps {
	tools: readonly string[]
	shares: Step['toolShares']
	onChange: (shares: Step['toolShares']) => void
}

/** For how much of a piece's time each tool is in the hand: what students who share it wait by. */
export function ToolShareFields({ tools, shares = {}, onChange }: ToolShareFieldsProps) {
	const named = tools.map((tool) => tool.trim()).filter((tool) => tool !== '')
	if (named.length === 0) return null
	return (
		<Disclosure head="How long each tool is in the hand">
			<p className="soft small">Of a piece’s time, in per cent; where students share the tool, they wait by it.</p>
			<div className="field-row">
				{[...new Set(named)].map((tool) => (
					<NumberField
						key={tool}
						label={`${tool}, %`}
						value={Math.round(100 * (shares[tool] ?? usualShare(tool)))}
						min={0}
						max={100}
						step={5}
						onChange={(percent) => onChange({ ...onlyOf(shares, named), [tool]: percent / 100 })}
					/>
				))}
			</div>
		</Disclosure>
	)
}

/** The shares of tools that the step has; undefined for none. */
export function onlyOf(shares: Step['toolShares'], tools: readonly string[]): Step['toolShares'] {
	const kept = Object.entries(shares ?? {}).filter(([tool]) => tools.includes(tool))
	return kept.length > 0 ? Object.fromEntries(kept) : undefined
}
