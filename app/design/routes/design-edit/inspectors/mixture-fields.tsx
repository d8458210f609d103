import { Select } from 'antd'
import type { Ingredient, MaterialKind, Mixture } from '../../../../../core/design/design'
import { freshId, slugOf } from '../../../../../core/design/edits/fresh-id'
import { ALLERGENS, type Allergen } from '../../../../../core/vocabulary/allergen'
import { PASTES } from '../../../../../core/vocabulary/paste'
import { FewField, SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { ListFields } from './list-fields'

/** What it is used as, or the paste that it is. */
const KINDS = wordOptions(['other', 'edible glue', 'glaze', 'dust', 'gel colour', 'royal icing', ...PASTES] as const)
const UNITS = wordOptions(['ml', 'g'] as const)
const ALLERGEN_OPTIONS = wordOptions(ALLERGENS)
const USUAL_GLUE: Omit<Mixture, 'id'> = {
	name: 'Edible glue',
	kind: 'edible glue',
	unit: 'ml',
	ingredients: [
		{ name: 'warm water', amount: 30, unit: 'ml' },
		{ name: 'CMC powder', amount: 1.25, unit: 'ml' },
	],
}

interface MixtureFieldsProps {
	mixtures: readonly Mixture[]
	/** By a step or another mixture: then it stays. */
	isUsed: (mixture: Mixture) => boolean
	onChange: (mixtures: Mixture[]) => void
}

/** Mixtures with their recipes. */
export function MixtureFields({ mixtures, isUsed, onChange }: MixtureFieldsProps) {
	return (
		<ListFields
			items={mixtures}
			keyOf={({ id }) => id}
			nameOf={({ name }) => name}
			addLabel="mixture"
			makeNew={(): Mixture => ({ id: freshId(slugOf('mixture'), mixtures), ...USUAL_GLUE })}
			onChange={onChange}
			holdsOf={(mixture) => (isUsed(mixture) ? 'A step or another mixture takes it' : undefined)}
		>
			{(mixture, set) => (
				<>
					<TextField
						label="Mixture"
						value={mixture.name}
						maxLength={80}
						onChange={(name) => set({ name: name || 'Mixture' })}
					/>
					<SelectField
						label="Used as"
						value={mixture.makes ?? mixture.kind ?? 'other'}
						options={mixture.kind && !isListed(mixture.kind) ? [...KINDS, ...wordOptions([mixture.kind])] : KINDS}
						onChange={(chosen) => set(usedAs(chosen))}
					/>
					{/* Paste is weighed. */}
					{!mixture.makes && (
						<FewField label="Measured in" value={mixture.unit} options={UNITS} onChange={(unit) => set({ unit })} />
					)}
					<div className="field-wide stack recipe">
						<ListFields
							items={mixture.ingredients}
							keyOf={(_, index) => index}
							nameOf={({ name }) => name}
							addLabel="ingredient"
							makeNew={(): Ingredient => ({ name: 'ingredient', amount: 1, unit: mixture.unit })}
							onChange={(ingredients) => set({ ingredients })}
							holdsOf={() => (mixture.ingredients.length === 1 ? 'A mixture is of something' : undefined)}
						>
							{(ingredient, change) => (
								<IngredientFields
									ingredient={ingredient}
									others={mixtures.filter(({ id }) => id !== mixture.id)}
									onChange={change}
								/>
							)}
						</ListFields>
					</div>
				</>
			)}
		</ListFields>
	)
}

/** A row of the recipe: what, how much, and what its label warns of. */
function IngredientFields({
	ingredient: { name, amount, unit, mixture, paste, colour, allergens = [] },
	others,
	onChange,
}: {
	ingredient: Ingredient
	/** Mixtures that it may be. */
	others: readonly Mixture[]
	onChange: (change: { [K in keyof Ingredient]?: Ingredient[K] | undefined }) => void
}) {
	return (
		<>
			<TextField label="Of" value={name} maxLength={80} onChange={(text) => onChange({ name: text || 'ingredient' })} />
			<NumberField
				label="Amount"
				value={amount}
				min={0.01}
				max={10_000}
				step={0.25}
				onChange={(changed) => onChange({ amount: changed })}
			/>
			{!paste && <FewField label="In" value={unit} options={UNITS} onChange={(chosen) => onChange({ unit: chosen })} />}
			<SelectField
				label="It is"
				value={mixture ?? paste ?? ''}
				options={[
					{ value: '', label: 'bought' },
					...PASTES.map((one) => ({ value: one as string, label: one })),
					...others.map((one) => ({ value: one.id, label: one.name })),
				]}
				onChange={(chosen) => onChange(sourceOf(chosen))}
			/>
			{paste && (
				<TextField
					label="Its colour"
					value={colour ?? ''}
					maxLength={60}
					onChange={(text) => onChange({ colour: text || undefined })}
				/>
			)}
			<Select
				className="field-wide"
				mode="multiple"
				size="small"
				aria-label={`Allergens of ${name}`}
				placeholder="no allergens on its label"
				options={ALLERGEN_OPTIONS}
				value={allergens}
				onChange={(chosen: Allergen[]) => onChange({ allergens: chosen.length > 0 ? chosen : undefined })}
			/>
		</>
	)
}

/** A paste is weighed in grams, and is nothing else. */
function usedAs(chosen: (typeof KINDS)[number]['value'] | MaterialKind) {
	const makes = PASTES.find((paste) => paste === chosen)
	if (makes) return { makes, kind: undefined, unit: 'g' as const }
	return { makes: undefined, kind: chosen === 'other' ? undefined : (chosen as MaterialKind) }
}

function isListed(kind: MaterialKind): boolean {
	return KINDS.some(({ value }) => value === kind)
}

/** An ingredient that is bought, is paste, or is itself a mixture; paste is called by what it is. */
function sourceOf(chosen: string) {
	const paste = PASTES.find((one) => one === chosen)
	if (paste) return { paste, mixture: undefined, unit: 'g' as const, name: paste }
	return { paste: undefined, colour: undefined, mixture: chosen === '' ? undefined : chosen }
}
