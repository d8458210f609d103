import { OUTLINE_FAMILIES, type CutForm, type Hole } from '../../../../../core/vocabulary/piece-form'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { ListFields } from './list-fields'
import { OwnOutline } from './own-outline'

const OUTLINES = [...wordOptions(OUTLINE_FAMILIES), { value: 'own' as const, label: 'of your own' }]
const WITH_LOBES: readonly CutForm['outline'][] = ['star', 'blossom', 'calyx']
const SHAPINGS = [
	{ value: 'flat', label: 'left flat' },
	{ value: 'folded', label: 'folded, stuffed' },
	{ value: 'rolled up', label: 'rolled up' },
] as const
const FIRST_PATH = 'M0 0L-10 -20L10 -20Z'

/** Openings of a cut piece, of as many kinds as it has; a ring is a circle with one. */
function HoleFields({ form, onChange }: { form: CutForm; onChange: (form: CutForm) => void }) {
	const { holes = [], ...rest } = form
	return (
		<div className="field-wide">
			<ListFields
				items={holes}
				keyOf={(_, index) => index}
				nameOf={({ outline }) => `hole: ${outline}`}
				addLabel="hole"
				makeNew={(): Hole => ({ outline: 'circle', widthMm: form.widthMm / 3, lengthMm: form.lengthMm / 3 })}
				onChange={(changed) => onChange(changed.length > 0 ? { ...form, holes: changed } : rest)}
			>
				{(hole, set) => (
					<>
						<NumberField
							label="Holes"
							value={hole.count ?? 1}
							min={1}
							max={200}
							isWhole
							onChange={(count) => set({ count })}
						/>
						<SelectField
							label="Each a"
							value={hole.outline}
							options={wordOptions(OUTLINE_FAMILIES)}
							onChange={(outline) => set({ outline })}
						/>
						<NumberField
							label="Hole wide"
							unit="mm"
							value={hole.widthMm}
							min={0.5}
							max={500}
							step={0.5}
							onChange={(widthMm) => set({ widthMm })}
						/>
						<NumberField
							label="Hole long"
							unit="mm"
							value={hole.lengthMm}
							min={0.5}
							max={500}
							step={0.5}
							onChange={(lengthMm) => set({ lengthMm })}
						/>
					</>
				)}
			</ListFields>
		</div>
	)
}

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
			<SelectField
				label="Then it is"
				value={form.shaping ?? 'flat'}
				options={SHAPINGS}
				onChange={(chosen) => {
					const { shaping: _, ...rest } = form
					onChange(chosen === 'flat' ? rest : { ...rest, shaping: chosen })
				}}
			/>
			<HoleFields form={form} onChange={onChange} />
			{form.outline === 'own' && <OwnOutline path={form.path ?? ''} onChange={(path) => onChange({ ...form, path })} />}
		</>
	)
}
