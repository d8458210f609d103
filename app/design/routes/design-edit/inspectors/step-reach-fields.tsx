import type { Design, Step } from '../../../../../core/design/design'
import type { StepChange } from '../../../../../core/design/edits/edit-steps'
import { CheckField, ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'

interface StepReachProps {
	step: Step
	shown: Pick<Step, 'minutesBySize' | 'minutesPerPiece'>
	design: Design
	onChange: (values: StepChange) => void
}

const PER = [
	{ value: '', label: 'as usual' },
	{ value: 'piece', label: 'each piece' },
	{ value: 'flower', label: 'each flower' },
	{ value: 'student', label: 'each student, once' },
] as const

/** What a step is done to: all pieces or some, which sizes, a bundle; and how often it is done. */
export function StepReachFields({ step, shown, design, onChange }: StepReachProps) {
	const part = design.parts.find(({ id }) => id === step.part)
	const { bundles = [] } = design
	return (
		<>
			<div className="field-row">
				<SelectField
					label="Minutes are for"
					value={step.per ?? ''}
					options={PER}
					onChange={(per) => onChange({ per: per || undefined })}
				/>
				{part && (
					<NumberField
						label={`Takes of ${part.piecesPerFlower}`}
						value={step.pieces ?? part.piecesPerFlower}
						min={1}
						max={part.piecesPerFlower}
						isWhole
						onChange={(pieces) => onChange({ pieces: pieces < part.piecesPerFlower ? pieces : undefined })}
					/>
				)}
				{bundles.length > 0 && (
					<SelectField
						label="Ties"
						value={step.bundle ?? ''}
						options={[
							{ value: '', label: 'no bundle' },
							...bundles.map(({ id, name }) => ({ value: id, label: name })),
						]}
						onChange={(bundle) => onChange({ bundle: bundle || undefined })}
					/>
				)}
			</div>
			{part?.sizes && (
				<SizeReach step={step} shown={shown} names={part.sizes.map(({ name }) => name)} onChange={onChange} />
			)}
			<SelectField
				label="Straight after"
				value={step.follows ?? ''}
				options={[
					{ value: '', label: 'whenever it suits' },
					...design.steps.filter(({ id }) => id !== step.id).map(({ id, label }) => ({ value: id, label })),
				]}
				onChange={(follows) => onChange({ follows: follows || undefined })}
			/>
			<CheckField
				label="Puts weight on the pieces"
				value={step.load ?? false}
				onChange={(is) => onChange({ load: is || undefined })}
			/>
			<TextField
				label="What it has built rests on"
				value={step.restsOn ?? ''}
				maxLength={80}
				onChange={(restsOn) => onChange({ restsOn: restsOn || undefined })}
			/>
			<TextField
				label="For left-handers"
				value={step.leftHanders ?? ''}
				maxLength={400}
				isLong
				onChange={(leftHanders) => onChange({ leftHanders: leftHanders || undefined })}
			/>
		</>
	)
}

/** Which sizes, and what each takes. */
function SizeReach({
	step,
	shown,
	names,
	onChange,
}: Pick<StepReachProps, 'step' | 'shown' | 'onChange'> & { names: string[] }) {
	const { minutesBySize = {}, minutesPerPiece } = shown
	const setMinutes = (size: string, minutes: number) => {
		const { [size]: _, ...others } = minutesBySize
		const changed = minutes === minutesPerPiece ? others : { ...others, [size]: minutes }
		onChange({ minutesBySize: Object.keys(changed).length > 0 ? changed : undefined })
	}
	const chosen = step.sizes ?? names
	return (
		<>
			<ChecksField
				label="Done to"
				value={chosen}
				options={names}
				onChange={(sizes) =>
					onChange({ sizes: sizes.length > 0 && sizes.length < names.length ? [...sizes] : undefined })
				}
			/>
			<div className="field-row">
				{chosen.map((size) => (
					<NumberField
						key={size}
						label={`Minutes, ${size}`}
						value={minutesBySize[size] ?? minutesPerPiece}
						min={0}
						max={600}
						step={0.5}
						onChange={(minutes) => setMinutes(size, minutes)}
					/>
				))}
			</div>
		</>
	)
}

/** 'Takes 4 of 9; straight after another'. */
export function reachWords({ per, pieces, sizes, bundle, follows, load, restsOn, leftHanders }: Step): string {
	const told = [
		per && `minutes for each ${per}`,
		pieces !== undefined && `takes ${pieces}`,
		sizes && `only ${sizes.join(', ')}`,
		bundle && 'ties a bundle',
		follows && 'straight after another step',
		load && 'puts weight on them',
		restsOn && `rests on ${restsOn}`,
		leftHanders && 'a word for left-handers',
	].filter(Boolean)
	return told.length > 0 ? `Done so: ${told.join('; ')}` : 'Done to all pieces, in its turn'
}
