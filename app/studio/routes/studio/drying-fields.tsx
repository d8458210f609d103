import { Button, Form, Input, Radio, Select } from 'antd'
import { PASTE_TERMS } from '../../../../core/drying/paste-terms'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

const CONFIDENCES = [
	{ value: 0.5, label: 'every other time (even odds)' },
	{ value: 0.8, label: '8 times in 10' },
	{ value: 0.9, label: '9 in 10' },
	{ value: 0.95, label: '19 in 20' },
]
const PASTES = Object.keys(PASTE_TERMS).map((value) => ({ value, label: value }))
const MOST_PASTES = 12

/** How sure plans are to be, when a reading is old, and pastes of her own. */
export function DryingFields() {
	return (
		<section className="sheet">
			<h2>Drying</h2>
			<Form.Item
				name="dryingConfidence"
				label="Plan waits so that pieces are ready"
				extra="Between even odds and 9 in 10 a wait grows by about half; what you note of drying narrows it."
			>
				<Radio.Group options={CONFIDENCES} />
			</Form.Item>
			<Form.Item name="readingMaxAgeMinutes" label="A reading of a hygrometer is old after" className="narrow">
				<DecimalInput suffix="min" />
			</Form.Item>
			<OwnPastes />
		</section>
	)
}

/** Pastes of her own: each like a usual one, and so many times as fast. */
function OwnPastes() {
	return (
		<Form.List name="ownPastes">
			{(fields, { add, remove }, { errors }) => (
				<>
					<h3>Your own pastes</h3>
					<p className="soft small">
						A paste that is not in the table is known by the one that it is like: 1.2 dries a fifth faster, 0.8 slower.
					</p>
					{fields.map(({ key, name }) => (
						<div className="fields" key={key}>
							<Form.Item name={[name, 'name']} label="Name">
								<Input maxLength={60} />
							</Form.Item>
							<Form.Item name={[name, 'like']} label="Like">
								<Select options={PASTES} className="paste-select" />
							</Form.Item>
							<Form.Item name={[name, 'paceFactor']} label="Times as fast">
								<DecimalInput step={0.1} />
							</Form.Item>
							<Button className="row-button" onClick={() => remove(name)}>
								Take off
							</Button>
						</div>
					))}
					<Form.ErrorList errors={errors} />
					{fields.length < MOST_PASTES && (
						<Button onClick={() => add({ name: '', like: 'gum paste', paceFactor: 1 })}>One more paste</Button>
					)}
				</>
			)}
		</Form.List>
	)
}
