import { CloseOutlined, PlusOutlined } from '@ant-design/icons'
import { Button, Select } from 'antd'
import type { Ingredient, Mixture } from '../../../../../core/design/design'
import { withValues } from '../../../../../core/design/edits/conditions'
import { PASTES } from '../../../../../core/vocabulary/paste'
import { freshId, slugOf } from '../../../../../core/design/edits/fresh-id'
import { ALLERGENS, type Allergen } from '../../../../../core/vocabulary/allergen'
import { FewField, SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'

const KINDS = wordOptions(['other', 'edible glue', 'glaze', 'dust', 'gel colour', 'royal icing'] as const)
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

/** Mixtures with their recipes. */
export function MixtureFields({
	mixtures,
	onChange,
}: {
	mixtures: readonly Mixture[]
	onChange: (mixtures: Mixture[]) => void
}) {
	return (
		<>
			{mixtures.map((mixture, m) => (
				<OneMixture
					key={mixture.id}
					mixture={mixture}
					mixtures={mixtures}
					onChange={(changed) => onChange(mixtures.map((one, k) => (k === m ? changed : one)))}
					onRemove={() => onChange(mixtures.filter((_, k) => k !== m))}
				/>
			))}
			<Button
				type="dashed"
				icon={<PlusOutlined aria-hidden />}
				onClick={() => onChange([...mixtures, { id: freshId(slugOf('mixture'), mixtures), ...USUAL_GLUE }])}
			>
				mixture
			</Button>
		</>
	)
}

function OneMixture({
	mixture,
	mixtures,
	onChange,
	onRemove,
}: {
	mixture: Mixture
	mixtures: readonly Mixture[]
	onChange: (mixture: Mixture) => void
	onRemove: () => void
}) {
	const setIngredients = (ingredients: Ingredient[]) => onChange({ ...mixture, ingredients })
	return (
		<div className="listed-item">
			<div className="listed-line">
				<div className="field-row">
					<TextField
						label="Mixture"
						value={mixture.name}
						maxLength={80}
						onChange={(name) => onChange({ ...mixture, name: name || 'Mixture' })}
					/>
					<FewField
						label="Measured in"
						value={mixture.unit}
						options={UNITS}
						onChange={(unit) => onChange({ ...mixture, unit })}
					/>
					<SelectField
						label="Used as"
						value={mixture.kind ?? 'other'}
						options={KINDS}
						onChange={(kind) => onChange(withValues(mixture, { kind: kind === 'other' ? undefined : kind }))}
					/>
				</div>
				<Button
					type="text"
					icon={<CloseOutlined aria-hidden />}
					aria-label={`Take off ${mixture.name}`}
					onClick={onRemove}
				/>
			</div>
			{mixture.ingredients.map((ingredient, i) => (
				<IngredientLine
					key={i}
					ingredient={ingredient}
					others={mixtures.filter(({ id }) => id !== mixture.id)}
					onChange={(changed) => setIngredients(mixture.ingredients.map((one, k) => (k === i ? changed : one)))}
					onRemove={() => setIngredients(mixture.ingredients.filter((_, k) => k !== i))}
					isOnly={mixture.ingredients.length === 1}
				/>
			))}
			<Button
				type="dashed"
				icon={<PlusOutlined aria-hidden />}
				onClick={() => setIngredients([...mixture.ingredients, { name: 'ingredient', amount: 1, unit: 'ml' }])}
			>
				ingredient
			</Button>
		</div>
	)
}

/** A row of the recipe: what, how much, and what its label warns of. */
function IngredientLine({
	ingredient,
	others,
	onChange,
	onRemove,
	isOnly,
}: {
	ingredient: Ingredient
	/** Mixtures that it may be. */
	others: readonly Mixture[]
	onChange: (ingredient: Ingredient) => void
	onRemove: () => void
	isOnly: boolean
}) {
	const { name, amount, unit, allergens = [] } = ingredient
	const setAllergens = (chosen: Allergen[]) => {
		const { allergens: _, ...plain } = ingredient
		onChange({ ...plain, ...(chosen.length > 0 && { allergens: chosen }) })
	}
	return (
		<div className="ingredient-line">
			<TextField
				label="Of"
				value={name}
				maxLength={80}
				onChange={(text) => onChange({ ...ingredient, name: text || 'ingredient' })}
			/>
			<NumberField
				label="Amount"
				value={amount}
				min={0.01}
				max={10_000}
				step={0.25}
				onChange={(changed) => onChange({ ...ingredient, amount: changed })}
			/>
			<SelectField
				label="It is"
				value={ingredient.mixture ?? ingredient.paste ?? ''}
				options={[
					{ value: '', label: 'bought' },
					...PASTES.map((paste) => ({ value: paste as string, label: paste })),
					...others.map(({ id, name: other }) => ({ value: id, label: other })),
				]}
				onChange={(chosen) => onChange(withSource(ingredient, chosen))}
			/>
			<SelectField
				label="Unit"
				value={unit}
				options={UNITS}
				onChange={(chosen) => onChange({ ...ingredient, unit: chosen })}
			/>
			<Button
				type="text"
				icon={<CloseOutlined aria-hidden />}
				aria-label={`Take off ${name}`}
				disabled={isOnly}
				onClick={onRemove}
			/>
			<Select
				className="ingredient-allergens"
				mode="multiple"
				size="small"
				aria-label={`Allergens of ${name}`}
				placeholder="no allergens"
				options={ALLERGEN_OPTIONS}
				value={allergens}
				onChange={setAllergens}
			/>
		</div>
	)
}

/** An ingredient that is bought, is paste, or is itself a mixture. */
function withSource({ mixture: _, paste: __, ...plain }: Ingredient, chosen: string): Ingredient {
	const paste = PASTES.find((one) => one === chosen)
	if (paste) return { ...plain, paste, unit: 'g' }
	return chosen === '' ? plain : { ...plain, mixture: chosen }
}
