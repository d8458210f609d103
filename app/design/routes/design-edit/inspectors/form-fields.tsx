import { discThicknessMm } from '../../../../../core/materials/piece-mass'
import type { Design } from '../../../../../core/design/design'
import { FORMED_BODIES, type FormedBody, type PartForm } from '../../../../../core/vocabulary/piece-form'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { CutFields } from './cut-fields'

type Form<T extends PartForm['type']> = Extract<PartForm, { type: T }>

const TYPES: { value: PartForm['type']; label: string }[] = [
	{ value: 'cut', label: 'cut' },
	{ value: 'formed', label: 'formed' },
	{ value: 'moulded', label: 'moulded' },
	{ value: 'bought', label: 'bought' },
	{ value: 'derived', label: 'made of a part' },
]
const BODIES = wordOptions(FORMED_BODIES)
const WITH_LENGTH: readonly FormedBody[] = ['cone', 'drop', 'cylinder']
const SHARED = [
	{ value: 'kit', label: 'for each kit' },
	{ value: 'class', label: 'over the class' },
] as const

interface FormFieldsProps {
	form: PartForm
	design: Design
	partId: string
	onChange: (form: PartForm) => void
}

/** How the pieces come about, with the sizes that go with it: fields for a row. */
export function FormFields({ form, design, partId, onChange }: FormFieldsProps) {
	const others = design.parts.filter(({ id }) => id !== partId)
	return (
		<>
			<SelectField
				label="Pieces are"
				value={form.type}
				options={TYPES}
				onChange={(type) => onChange(usualForm(type, others[0]?.id))}
			/>
			{form.type === 'cut' && <CutFields form={form} onChange={onChange} />}
			{form.type === 'formed' && <BodyFields form={form} onChange={onChange} />}
			{form.type === 'moulded' && (
				<NumberField
					label="Each"
					unit="g"
					value={form.massG}
					min={0.1}
					max={1000}
					step={0.1}
					onChange={(massG) => onChange({ ...form, massG })}
				/>
			)}
			{form.type === 'bought' && <BoughtFields form={form} onChange={onChange} />}
			{form.type === 'derived' && <DerivedFields form={form} others={others} onChange={onChange} />}
		</>
	)
}

function BodyFields({ form, onChange }: { form: Form<'formed'>; onChange: (form: PartForm) => void }) {
	return (
		<>
			<SelectField label="Body" value={form.body} options={BODIES} onChange={(body) => onChange({ ...form, body })} />
			<NumberField
				label="Across"
				unit="mm"
				value={form.diameterMm}
				min={0.5}
				max={200}
				step={0.5}
				onChange={(diameterMm) => onChange({ ...form, diameterMm })}
			/>
			{form.body === 'flattened ball' && (
				<NumberField
					label="Pressed to"
					unit="mm"
					value={discThicknessMm(form)}
					min={0.5}
					max={100}
					step={0.5}
					onChange={(thicknessMm) => onChange({ ...form, thicknessMm })}
				/>
			)}
			{WITH_LENGTH.includes(form.body) && (
				<NumberField
					label="Long"
					unit="mm"
					value={form.lengthMm ?? form.diameterMm}
					min={0.5}
					max={400}
					onChange={(lengthMm) => onChange({ ...form, lengthMm })}
				/>
			)}
		</>
	)
}

function BoughtFields({ form, onChange }: { form: Form<'bought'>; onChange: (form: PartForm) => void }) {
	return (
		<>
			<TextField
				label="What"
				value={form.item}
				maxLength={80}
				onChange={(item) => onChange({ ...form, item: item || 'something' })}
			/>
			<NumberField
				label="Across"
				unit="mm"
				value={form.diameterMm ?? 4}
				min={0.5}
				max={200}
				step={0.5}
				onChange={(diameterMm) => onChange({ ...form, diameterMm })}
			/>
			<NumberField
				label="Of a roll, each"
				unit="mm"
				value={form.lengthMm ?? 0}
				min={0}
				max={5000}
				onChange={(lengthMm) => {
					const { lengthMm: _, ...rest } = form
					onChange(lengthMm > 0 ? { ...rest, lengthMm } : rest)
				}}
			/>
		</>
	)
}

function DerivedFields({
	form,
	others,
	onChange,
}: {
	form: Form<'derived'>
	others: Design['parts']
	onChange: (form: PartForm) => void
}) {
	return (
		<>
			<SelectField
				label="From each of"
				value={form.fromPart}
				options={others.map(({ id, name }) => ({ value: id, label: name }))}
				onChange={(fromPart) => onChange({ ...form, fromPart })}
			/>
			<NumberField
				label="Pieces of each"
				value={form.piecesEach}
				min={1}
				max={20}
				isWhole
				onChange={(piecesEach) => onChange({ ...form, piecesEach })}
			/>
			<SelectField
				label="Rounded up"
				value={form.shared ?? 'kit'}
				options={SHARED}
				onChange={(shared) => onChange({ ...form, shared })}
			/>
		</>
	)
}

function usualForm(type: PartForm['type'], otherPart: string | undefined): PartForm {
	switch (type) {
		case 'cut':
			return { type, outline: 'petal', widthMm: 30, lengthMm: 40, thicknessMm: 0.8 }
		case 'formed':
			return { type, body: 'ball', diameterMm: 20 }
		case 'moulded':
			return { type, massG: 4 }
		case 'bought':
			return { type, item: 'stamens' }
		case 'derived':
			return otherPart ? { type, fromPart: otherPart, piecesEach: 2 } : { type: 'formed', body: 'ball', diameterMm: 20 }
	}
}
