import { OUTLINE_FAMILIES, type CutForm } from '../../../../../core/vocabulary/piece-form'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { OwnOutline } from './own-outline'

const OUTLINES = [...wordOptions(OUTLINE_FAMILIES), { value: 'own' as const, label: 'of your own' }]
const WITH_LOBES: readonly CutForm['outline'][] = ['star', 'blossom', 'calyx']
const FIRST_PATH = 'M0 0L-10 -20L10 -20Z'

/** Outline and sizes of what is cut from a sheet. */
export function CutFields({ form, onChange }: { form: CutForm; onChange: (form: CutForm) => void }) {
	const setOutline = (outline: CutForm['outline']) => {
		const { path, ...rest } = form
		onChange(outline === 'own' ? { ...form, outline, path: path ?? FIRST_PATH } : { ...rest, outline })
	}
	return (
		<>
			<SelectField label="Outline" value={form.outline} options={OUTLINES} onChange={setOutline} />
			{WITH_LOBES.includes(form.outline) && (
				<NumberField
					label="Points or lobes"
					value={form.lobes ?? 5}
					min={3}
					max={12}
					isWhole
					onChange={(lobes) => onChange({ ...form, lobes })}
				/>
			)}
			<NumberField
				label="Wide"
				unit="mm"
				value={form.widthMm}
				min={1}
				max={500}
				onChange={(widthMm) => onChange({ ...form, widthMm })}
			/>
			<NumberField
				label="Long"
				unit="mm"
				value={form.lengthMm}
				min={1}
				max={500}
				onChange={(lengthMm) => onChange({ ...form, lengthMm })}
			/>
			<NumberField
				label="Thick"
				unit="mm"
				value={form.thicknessMm}
				min={0.1}
				max={20}
				step={0.1}
				onChange={(thicknessMm) => onChange({ ...form, thicknessMm })}
			/>
			{form.outline === 'own' && <OwnOutline path={form.path ?? ''} onChange={(path) => onChange({ ...form, path })} />}
		</>
	)
}
