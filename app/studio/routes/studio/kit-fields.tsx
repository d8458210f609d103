import { AutoComplete, Form, Select } from 'antd'
import { PASTES } from '../../../../core/vocabulary/paste'
import { wordOptions } from '../../../shared/components/fields/choice-fields'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import { PercentItem } from './percent-item'

const CURRENCIES = ['€', '£', '$', 'CHF', 'kr', 'zł', 'Kč', '¥'].map((value) => ({ value }))

const PASTE_OPTIONS = wordOptions(PASTES)

/** What kits are weighed and laid out with. */
export function KitFields() {
	return (
		<section className="sheet is-wide">
			<h2>Kits</h2>
			<div className="fields">
				<KitNumber name="boardWidthMm" label="Rolling board: width" unit="mm" />
				<KitNumber name="boardHeightMm" label="Its height" unit="mm" />
				<KitNumber name="gapMm" label="Between pieces" unit="mm" step={0.5} />
				<KitNumber name="trayWidthMm" label="Drying tray: width" unit="mm" />
				<KitNumber name="trayHeightMm" label="Its depth" unit="mm" />
			</div>
			<div className="fields">
				<PercentItem name={['kitTerms', 'rerollLoss']} label="Lost at each kneading" />
				<PercentItem name={['kitTerms', 'reserveShare']} label="Reserve on all that is used up" />
				<PercentItem name={['kitTerms', 'handlingShare']} label="Paste to knead and roll, on top" />
				<KitNumber name="leastLumpG" label="Least lump of a colour" unit="g" />
				<KitNumber name="minOffcutMm" label="Keep wire off-cuts from" unit="mm" />
				<KitNumber name="tapeStretch" label="Tape is pulled to" unit="times" step={0.1} />
				<Form.Item name={['kitTerms', 'currency']} label="Money" className="narrow">
					<AutoComplete options={CURRENCIES} maxLength={4} />
				</Form.Item>
			</div>
			<Form.Item name={['kitTerms', 'boughtReady']} label="Pastes bought ready, though a design has a recipe for them">
				<Select mode="multiple" placeholder="none: they are made by the recipe" options={PASTE_OPTIONS} />
			</Form.Item>
			<p className="soft small">Gel colour for 100 g of paste: from memory, set what yours takes.</p>
			<div className="fields">
				<KitNumber name={['gelGPer100G', 'pastel']} label="Pastel" unit="g" step={0.1} />
				<KitNumber name={['gelGPer100G', 'mid']} label="Middling" unit="g" step={0.1} />
				<KitNumber name={['gelGPer100G', 'deep']} label="Deep" unit="g" step={0.1} />
			</div>
			<Form.Item name={['kitTerms', 'gelGPer100G', 'white']} hidden>
				<DecimalInput />
			</Form.Item>
		</section>
	)
}

interface KitFieldProps {
	/** Among the terms of kits. */
	name: string | string[]
	label: string
}

function KitNumber({ name, label, unit, step = 1 }: KitFieldProps & { unit: string; step?: number }) {
	return (
		<Form.Item name={['kitTerms', ...(Array.isArray(name) ? name : [name])]} label={label} className="narrow">
			<DecimalInput step={step} suffix={unit} />
		</Form.Item>
	)
}
