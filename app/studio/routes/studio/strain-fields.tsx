import { Form } from 'antd'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import { PercentItem } from './percent-item'

/** What a plan is to avoid, and how much each of it counts against the others. */
export function StrainFields() {
	return (
		<section className="sheet">
			<h2>Plans</h2>
			<p className="soft small">
				Of plans that teach as much and ask as little of you, the one is taken that strains the class least. Each of
				these counts as so many minutes of strain; 0: it does not matter.
			</p>
			<div className="fields">
				<StrainNumber name="waiting" label="Waiting about, each minute" />
				<StrainNumber name="split" label="Taking up a step twice" />
				<StrainNumber name="crowding" label="A tight session, each minute" />
				<StrainNumber name="apart" label="Shown long before it is done, each minute" />
				<PercentItem name={['strainTerms', 'bufferShare']} label="To spare at the end of a session" />
			</div>
		</section>
	)
}

function StrainNumber({ name, label }: { name: string; label: string }) {
	return (
		<Form.Item name={['strainTerms', name]} label={label} className="narrow">
			<DecimalInput suffix="min" />
		</Form.Item>
	)
}
