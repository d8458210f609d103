import { useId } from 'react'
import { PACES } from '../../../../core/course/course'
import { SelectField, wordOptions } from '../../../shared/components/fields/choice-fields'
import { DayInput } from '../../../shared/components/fields/day-input'
import { FieldFrame } from '../../../shared/components/fields/field-frame'
import { NumberField } from '../../../shared/components/fields/number-field'
import { TimeInput } from '../../../shared/components/fields/time-input'
import { describeLevel, PACE_WORDS } from '../../../shared/words/terms'
import { LEAST_MINUTES, MOST_SESSIONS, type SlotAddress } from '../../schemas/slot-address'

interface SlotFormProps {
	asked: SlotAddress
	rooms: readonly { id: number; name: string }[]
	onChange: (change: Partial<SlotAddress>) => void
}

const PACE_OPTIONS = PACES.map((value) => ({ value, label: PACE_WORDS[value] }))
const LEVEL_OPTIONS = [1, 2, 3, 4, 5].map((level) => ({
	value: String(level),
	label: level === 5 ? 'any' : `up to ${level}, ${describeLevel(level)}`,
}))
/** Of a day, on the picker's steps of five minutes. */
const LAST_MINUTE = 1435
const WIRE_OPTIONS = [
	{ value: 'any', label: 'if it has' },
	{ value: 'no', label: 'none' },
] as const
const FOR_OPTIONS = wordOptions(['anybody', 'children'] as const)

/** The time, who comes, and what may be asked: each answer is looked for at once. */
export function SlotForm({ asked, rooms, onChange }: SlotFormProps) {
	return (
		<form className="sheet stack" aria-label="The time to fill" onSubmit={(event) => event.preventDefault()}>
			<TimeFields asked={asked} rooms={rooms} onChange={onChange} />
			<div className="field-row">
				<NumberField
					label="Students"
					value={asked.students}
					min={1}
					max={60}
					isWhole
					onChange={(students) => onChange({ students })}
				/>
				<SelectField
					label="Who are"
					value={asked.pace}
					options={PACE_OPTIONS}
					onChange={(pace) => onChange({ pace })}
				/>
				<NumberField
					label="Pieces each"
					value={asked.flowers}
					min={1}
					max={20}
					isWhole
					onChange={(flowers) => onChange({ flowers })}
				/>
				<SelectField
					label="Level"
					value={String(asked.level)}
					options={LEVEL_OPTIONS}
					onChange={(level) => onChange({ level: Number(level) })}
				/>
				<SelectField
					label="Wires"
					value={asked.wires}
					options={WIRE_OPTIONS}
					onChange={(wires) => onChange({ wires })}
				/>
				<SelectField label="For" value={asked.for} options={FOR_OPTIONS} onChange={(who) => onChange({ for: who })} />
				<NumberField
					label="Of your time before"
					unit="min"
					value={asked.before}
					min={0}
					max={1440}
					step={15}
					isWhole
					onChange={(before) => onChange({ before })}
				/>
				{asked.sessions > 1 && (
					<NumberField
						label="Homework between"
						unit="min"
						value={asked.home}
						min={0}
						max={600}
						step={15}
						isWhole
						onChange={(home) => onChange({ home })}
					/>
				)}
			</div>
			<p className="soft small">
				Slower students are waited for, 8 in 10 keep up. Setting up takes 5 minutes, clearing away 10. All of it can be
				changed once it is a course.
			</p>
		</form>
	)
}

function TimeFields({ asked, rooms, onChange }: SlotFormProps) {
	const id = useId()
	// The end goes with the start, and the start with an end that would come before it.
	const length = asked.to - asked.from
	return (
		<>
			<FieldFrame id={`${id}-date`} label={asked.sessions > 1 ? 'First session' : 'Day'}>
				<DayInput id={`${id}-date`} value={asked.date} onChange={(date) => date && onChange({ date })} />
			</FieldFrame>
			<div className="field-row">
				<FieldFrame id={`${id}-from`} label="From">
					<TimeInput
						id={`${id}-from`}
						value={asked.from}
						onChange={(from) => from !== undefined && onChange({ from, to: Math.min(LAST_MINUTE, from + length) })}
					/>
				</FieldFrame>
				<FieldFrame id={`${id}-to`} label="To">
					<TimeInput
						id={`${id}-to`}
						value={asked.to}
						onChange={(to) =>
							to !== undefined &&
							onChange(to - asked.from >= LEAST_MINUTES ? { to } : { from: Math.max(0, to - length), to })
						}
					/>
				</FieldFrame>
			</div>
			<div className="field-row">
				<NumberField
					label="Sessions"
					value={asked.sessions}
					min={1}
					max={MOST_SESSIONS}
					isWhole
					onChange={(sessions) => onChange({ sessions })}
				/>
				<NumberField
					label="Tea"
					unit="min"
					value={asked.tea}
					min={0}
					max={120}
					step={5}
					isWhole
					onChange={(tea) => onChange({ tea })}
				/>
				{asked.sessions > 1 && (
					<NumberField
						label="One every"
						unit="days"
						value={asked.every}
						min={1}
						max={60}
						isWhole
						onChange={(every) => onChange({ every })}
					/>
				)}
				{rooms.length > 1 && (
					<SelectField
						label="Room"
						value={String(asked.room ?? rooms[0]?.id ?? '')}
						options={rooms.map((room) => ({ value: String(room.id), label: room.name }))}
						onChange={(room) => onChange({ room: Number(room) })}
					/>
				)}
			</div>
		</>
	)
}
