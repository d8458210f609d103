import { Form } from 'antd'
import type { PrepTerms } from '../../../../core/prepare/prep-terms'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

/** How long work before class takes, and what has to rest. */
export function PrepFields() {
	return (
		<section className="sheet is-wide">
			<h2>Before class</h2>
			<p className="soft small">Of one pair of hands; the days before are laid by these.</p>
			<div className="fields">
				<PrepNumber name="orderMinutes" label="An order from one supplier" />
				<PrepNumber name="colourMinutes" label="Colouring one batch" />
				<PrepNumber name="restMinutes" label="Coloured paste rests" step={60} />
				<PrepNumber name="glueMinutes" label="Mixing glue" />
				<PrepNumber name="glueRestMinutes" label="Glue stands" step={15} />
				<PrepNumber name="wireMinutes" label="Cutting one wire" step={0.1} />
				<PrepNumber name="packMinutes" label="Packing one kit" />
				<PrepNumber name="toolsMinutes" label="Packing and charging the tools" />
				<PrepNumber name="printMinutes" label="Printing the papers" />
				<PrepNumber name="lookMinutes" label="A look at a tray" />
				<PrepNumber name="longestGoMinutes" label="Longest in one go" step={15} />
				<PrepNumber name="leaveMinutes" label="All is packed before a session by" step={15} />
				<PrepNumber name="earliestDays" label="Begun at the earliest" unit="days before" />
			</div>
		</section>
	)
}

interface PrepNumberProps {
	name: keyof PrepTerms
	label: string
	unit?: string
	step?: number
}

function PrepNumber({ name, label, unit = 'min', step = 1 }: PrepNumberProps) {
	return (
		<Form.Item name={['prepTerms', name]} label={label} className="narrow">
			<DecimalInput step={step} suffix={unit} />
		</Form.Item>
	)
}
