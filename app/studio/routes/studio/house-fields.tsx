import { Button, Form, Input, Radio, Select } from 'antd'
import { GAUGE_WORDS, PAPER_OPTIONS } from '../../../shared/words/terms'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

const ZONES = Intl.supportedValuesOf('timeZone').map((value) => ({ value, label: value.replaceAll('_', ' ') }))
const GAUGES = (['swg', 'awg'] as const).map((value) => ({ value, label: GAUGE_WORDS[value] }))
const UNITS = [
	{ value: 'metric', label: 'grams, millilitres, centimetres' },
	{ value: 'imperial', label: 'ounces, spoons, inches' },
]
const MOST_LENGTHS = 5
const USUAL_LENGTH_MM = 360

/** What the studio is called, by which clock it lives, and how it measures. */
export function HouseFields() {
	return (
		<section className="sheet is-tall">
			<Form.Item name="name" label="Name of the studio">
				<Input maxLength={120} />
			</Form.Item>
			<Form.Item
				name="timeZone"
				label="Its clock"
				extra="Waits over a night in which clocks change are as long as pieces really lie."
				className="narrow"
			>
				<Select showSearch options={ZONES} />
			</Form.Item>
			<Form.Item name="units" label="Weigh and measure in">
				<Radio.Group options={UNITS} />
			</Form.Item>
			<Form.Item name="paper" label="Print on">
				<Radio.Group options={PAPER_OPTIONS} />
			</Form.Item>
			<Form.Item
				name="gaugeStandard"
				label="Wire gauges by"
				extra="Two tables are in use; the diameter in mm is shown beside every number."
			>
				<Radio.Group options={GAUGES} />
			</Form.Item>
			<Form.Item
				name="peopleMonths"
				label="Months until names, allergies and notes of people go"
				extra="After the last session of their course; 0 keeps them. What is planned and packed stays."
				className="narrow"
			>
				<DecimalInput step={1} />
			</Form.Item>
			<WireLengths />
		</section>
	)
}

function WireLengths() {
	return (
		<Form.List name="wireLengthsMm">
			{(fields, { add, remove }, { errors }) => (
				<>
					{fields.map(({ key, name }) => (
						<div className="fields" key={key}>
							<Form.Item name={name} label={`Stock wire ${name + 1}`}>
								<DecimalInput step={10} suffix="mm" />
							</Form.Item>
							{fields.length > 1 && (
								<Button className="row-button" onClick={() => remove(name)}>
									Take off
								</Button>
							)}
						</div>
					))}
					<Form.ErrorList errors={errors} />
					{fields.length < MOST_LENGTHS && <Button onClick={() => add(USUAL_LENGTH_MM)}>One more length</Button>}
				</>
			)}
		</Form.List>
	)
}
