import { CloseOutlined, PlusOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import type { Design, Need, Step } from '../../../../../core/design/design'
import { CheckField } from '../../../../shared/components/fields/check-fields'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { followersOf, optional } from './needs'
import { WaitFields } from './wait-fields'

interface NeedFieldsProps {
	step: Step
	design: Design
	onChange: (needs: Need[]) => void
}

/** What must have happened before: which step, how dry, and within which time. */
export function NeedFields({ step, design, onChange }: NeedFieldsProps) {
	const partNames = new Map(design.parts.map(({ id, name }) => [id, name]))
	const later = followersOf(design, step.id)
	// What waits for this step cannot be waited for by it.
	const candidates = design.steps.filter(({ id }) => id !== step.id && !later.has(id))
	const options = candidates.map(({ id, part, label }) => ({
		value: id,
		label: `${part === undefined ? 'Putting together' : (partNames.get(part) ?? part)}: ${label}`,
	}))
	const unused = options.find(({ value }) => !step.needs.some(({ after }) => after === value))
	return (
		<div role="group" aria-label="Comes after" className="need-list">
			{step.needs.map((need, n) => (
				<OneNeed
					key={n}
					need={need}
					step={step}
					design={design}
					options={options}
					onChange={(changed) => onChange(step.needs.map((one, k) => (k === n ? changed : one)))}
					onRemove={() => onChange(step.needs.filter((_, k) => k !== n))}
				/>
			))}
			{unused && (
				<Button
					type="dashed"
					icon={<PlusOutlined aria-hidden />}
					onClick={() => onChange([...step.needs, { after: unused.value }])}
				>
					comes after
				</Button>
			)}
		</div>
	)
}

function OneNeed({
	need,
	step,
	design,
	options,
	onChange,
	onRemove,
}: {
	need: Need
	step: Step
	design: Design
	options: readonly { value: string; label: string }[]
	onChange: (need: Need) => void
	onRemove: () => void
}) {
	const isOfSamePart = step.part !== undefined && design.steps.find(({ id }) => id === need.after)?.part === step.part
	return (
		<div className="listed-item">
			<div className="listed-line">
				<SelectField
					label="Comes after"
					value={need.after}
					options={options}
					onChange={(after) => onChange({ ...need, after })}
				/>
				<Button
					type="text"
					icon={<CloseOutlined aria-hidden />}
					aria-label={`Does not come after ${options.find(({ value }) => value === need.after)?.label ?? need.after}`}
					onClick={onRemove}
				/>
			</div>
			<WaitFields need={need} design={design} onChange={onChange}>
				{isOfSamePart && (
					<CheckField
						label="Piece by piece"
						value={need.isPieceByPiece ?? false}
						onChange={(is) => onChange(optional(need, { isPieceByPiece: is || undefined }))}
					/>
				)}
			</WaitFields>
		</div>
	)
}
