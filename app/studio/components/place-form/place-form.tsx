/** The form that describes a room or a store. */
import { Form, Input, Radio, Select } from 'antd'
import { CLIMATE_PRESETS } from '../../../../core/drying/climate-presets'
import { AIR_MOVEMENTS } from '../../../../core/drying/air-film'
import { fromClimate, placeSchema, type PlaceInput } from '../../schemas/place'
import { MOVEMENT_WORDS } from '../../../drying/words/drying'
import { SheetForm } from '../../../shared/components/sheet-form'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { useState } from 'react'
import { HoursField } from './hours-field'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import './place-form.css'

interface PlaceFormProps {
	initial: PlaceInput
	submitLabel: string
	/** Beside the save button. */
	children?: React.ReactNode
}

/** A room or a store: what it is for, its air, its hygrometer. */
export function PlaceForm({ initial, submitLabel, children }: PlaceFormProps) {
	const [isDirty, setDirty] = useState(false)
	const state = useSchemaForm<PlaceInput>({
		schema: placeSchema,
		toBody: (values) => ({ ...values, version: initial.version }),
	})
	const { form, isSaving } = state
	useLeaveGuard(isDirty && !isSaving)
	const takePreset = (presetId: string) => {
		const preset = CLIMATE_PRESETS.find(({ id }) => id === presetId)
		if (!preset) return
		form.setFieldsValue({ movement: preset.movement, ...fromClimate(preset.climate) })
		setDirty(true)
	}
	return (
		<SheetForm
			state={state}
			initial={initial}
			saveLabel={submitLabel}
			isDirty={isDirty}
			onChange={() => setDirty(true)}
			foot={children}
		>
			<section className="sheet is-wide">
				<Form.Item name="name" label="Name">
					<Input maxLength={60} />
				</Form.Item>
				<Form.Item name="kind" label="What it is for">
					<Radio.Group options={KINDS} />
				</Form.Item>
				<Form.Item label="Begin with a usual climate" htmlFor="preset">
					<Select
						id="preset"
						placeholder="Choose one, then change it"
						options={CLIMATE_PRESETS.map(({ id, name }) => ({ value: id, label: name }))}
						onChange={takePreset}
					/>
				</Form.Item>
				<AirFields initialType={initial.type} />
				<Form.Item name="movement" label="Air">
					<Radio.Group options={AIR_MOVEMENTS.map((value) => ({ value, label: MOVEMENT_WORDS[value] }))} />
				</Form.Item>
				<Form.Item
					name="sensor"
					label="Hygrometer"
					extra="The stand-in plays a room sensor: weather, heating, a class."
				>
					<Radio.Group options={SENSORS} />
				</Form.Item>
			</section>
		</SheetForm>
	)
}

const KINDS = [
	{ value: 'room', label: 'classes meet here' },
	{ value: 'store', label: 'pieces lie here between sessions' },
]
const SENSORS = [
	{ value: 'none', label: 'read by hand' },
	{ value: 'stand-in', label: 'the stand-in' },
]
const AIR_TYPES = [
	{ value: 'steady', label: 'about the same all day' },
	{ value: 'day', label: 'follows the hours of the day' },
]

/** One air all day, or that of each hour. */
function AirFields({ initialType }: { initialType: PlaceInput['type'] }) {
	const form = Form.useFormInstance<PlaceInput>()
	const type = Form.useWatch('type', form) ?? initialType
	return (
		<>
			<Form.Item name="type" label="Its air">
				<Radio.Group options={AIR_TYPES} />
			</Form.Item>
			<div className="fields" hidden={type === 'day'}>
				<Form.Item name="temperatureC" label="Temperature, °C">
					<DecimalInput step={0.5} />
				</Form.Item>
				<Form.Item name="humidity" label="Relative humidity, %">
					<DecimalInput />
				</Form.Item>
			</div>
			{type === 'day' && (
				<Form.Item name="hours" label="Hour by hour">
					<HoursField />
				</Form.Item>
			)}
		</>
	)
}
