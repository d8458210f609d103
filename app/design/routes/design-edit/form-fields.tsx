import { useState } from 'react'
import type { Design } from '../../../../core/design/design'
import { OUTLINE_FAMILIES, type CutForm, type PartForm } from '../../../../core/vocabulary/piece-form'
import { InputError } from '../../../../core/errors'
import { parsePath, PathError } from '../../../../core/outlines/parse-path'
import { NumberField, SelectField, TextField, wordOptions } from '../../../shared/components/fields/fields'

interface FormFieldsProps {
	form: PartForm
	design: Design
	partId: string
	onChange: (form: PartForm) => void
}

const TYPE_WORDS = {
	cut: 'cut from a sheet',
	formed: 'formed by hand',
	moulded: 'pressed in a mould',
	bought: 'bought',
	derived: 'from another part',
}

/** How the pieces come about, with the sizes that go with it. */
export function FormFields({ form, design, partId, onChange }: FormFieldsProps) {
	const others = design.parts.filter(({ id }) => id !== partId)
	return (
		<>
			<SelectField
				label="Pieces are"
				value={form.type}
				options={Object.entries(TYPE_WORDS).map(([value, label]) => ({ value: value as PartForm['type'], label }))}
				onChange={(type) => onChange(usualForm(type, others[0]?.id))}
			/>
			{form.type === 'cut' && <CutFields form={form} onChange={onChange} />}
			{form.type === 'formed' && (
				<div className="field-row">
					<SelectField
						label="Body"
						value={form.body}
						options={wordOptions(['ball', 'cone', 'drop', 'cylinder'] as const)}
						onChange={(body) => onChange({ ...form, body })}
					/>
					<NumberField
						label="Across, mm"
						value={form.diameterMm}
						min={0.5}
						max={200}
						step={0.5}
						onChange={(diameterMm) => onChange({ ...form, diameterMm })}
					/>
					{form.body !== 'ball' && (
						<NumberField
							label="Long, mm"
							value={form.lengthMm ?? form.diameterMm}
							min={0.5}
							max={400}
							onChange={(lengthMm) => onChange({ ...form, lengthMm })}
						/>
					)}
				</div>
			)}
			{form.type === 'moulded' && (
				<NumberField
					label="Grams each"
					value={form.massG}
					min={0.1}
					max={1000}
					step={0.1}
					onChange={(massG) => onChange({ ...form, massG })}
				/>
			)}
			{form.type === 'bought' && (
				<div className="field-row">
					<TextField
						label="What"
						value={form.item}
						maxLength={80}
						onChange={(item) => onChange({ ...form, item: item || 'something' })}
					/>
					<NumberField
						label="Across, mm"
						value={form.diameterMm ?? 4}
						min={0.5}
						max={200}
						step={0.5}
						onChange={(diameterMm) => onChange({ ...form, diameterMm })}
					/>
				</div>
			)}
			{form.type === 'derived' && (
				<div className="field-row">
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
				</div>
			)}
		</>
	)
}

function CutFields({ form, onChange }: { form: CutForm; onChange: (form: PartForm) => void }) {
	const hasLobes = form.outline === 'star' || form.outline === 'blossom' || form.outline === 'calyx'
	const setOutline = (outline: CutForm['outline']) => {
		const { path, ...rest } = form
		onChange(outline === 'own' ? { ...form, outline, path: path ?? 'M0 0L-10 -20L10 -20Z' } : { ...rest, outline })
	}
	return (
		<>
			<div className="field-row">
				<SelectField
					label="Outline"
					value={form.outline}
					options={[...wordOptions(OUTLINE_FAMILIES), { value: 'own', label: 'of your own' }]}
					onChange={setOutline}
				/>
				{hasLobes && (
					<NumberField
						label="Points or lobes"
						value={form.lobes ?? 5}
						min={3}
						max={12}
						isWhole
						onChange={(lobes) => onChange({ ...form, lobes })}
					/>
				)}
			</div>
			<div className="field-row">
				<NumberField
					label="Wide, mm"
					value={form.widthMm}
					min={1}
					max={500}
					onChange={(widthMm) => onChange({ ...form, widthMm })}
				/>
				<NumberField
					label="Long, mm"
					value={form.lengthMm}
					min={1}
					max={500}
					onChange={(lengthMm) => onChange({ ...form, lengthMm })}
				/>
				<NumberField
					label="Thick, mm"
					value={form.thicknessMm}
					min={0.1}
					max={20}
					step={0.1}
					onChange={(thicknessMm) => onChange({ ...form, thicknessMm })}
				/>
			</div>
			{form.outline === 'own' && <OwnOutline path={form.path ?? ''} onChange={(path) => onChange({ ...form, path })} />}
		</>
	)
}

/** A path typed, or taken from an SVG file; a bad one is refused with the reason and stays as it is typed. */
function OwnOutline({ path, onChange }: { path: string; onChange: (path: string) => void }) {
	const [typed, setTyped] = useState<string>()
	const [problem, setProblem] = useState<string>()
	const take = (text: string) => {
		setTyped(text)
		try {
			parsePath(text)
			setProblem(undefined)
			onChange(text)
		} catch (error) {
			if (!(error instanceof PathError)) throw error
			setProblem(error.message)
		}
	}
	const readFile = async (file: File | undefined) => {
		if (!file) return
		// The reader of SVG is large: it comes when it is needed.
		const { readOutlinesSvg } = await import('../../../../exchange/design/outline-svg')
		try {
			const [first] = readOutlinesSvg(await file.text())
			if (first) take(first.path)
		} catch (error) {
			if (!(error instanceof InputError)) throw error
			setProblem(error.problems.map(({ message }) => message).join(' '))
		}
	}
	return (
		<>
			<TextField label="SVG path, foot below" value={typed ?? path} maxLength={20_000} isLong onChange={take} />
			<label className="file-field">
				or from an SVG file{' '}
				<input type="file" accept=".svg,image/svg+xml" onChange={({ target }) => void readFile(target.files?.[0])} />
			</label>
			{problem && (
				<p className="field-problem" role="alert">
					{problem}
				</p>
			)}
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
