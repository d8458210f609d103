import type { Mixture } from '../../../../core/design/design'
import { ALLERGENS } from '../../../../core/vocabulary/allergen'
import { freshId, slugOf } from '../../../../core/design/edits/fresh-id'
import { ChecksField, NumberField, SelectField, TextField, wordOptions } from '../../../shared/components/fields/fields'

const UNITS = ['ml', 'g'] as const

/** Mixtures with their recipes. */
export function MixtureFields({
	mixtures,
	onChange,
}: {
	mixtures: readonly Mixture[]
	onChange: (mixtures: Mixture[]) => void
}) {
	const replace = (index: number, change: Partial<Mixture>) =>
		onChange(mixtures.map((one, m) => (m === index ? { ...one, ...change } : one)))
	return (
		<fieldset className="list-fields">
			<legend>Mixtures</legend>
			{mixtures.map((mixture, m) => (
				<div key={mixture.id} className="need-fields">
					<div className="field-row">
						<TextField
							label="Mixture"
							value={mixture.name}
							maxLength={80}
							onChange={(name) => replace(m, { name: name || 'Mixture' })}
						/>
						<SelectField
							label="Measured in"
							value={mixture.unit}
							options={wordOptions(UNITS)}
							onChange={(unit) => replace(m, { unit })}
						/>
						<button
							type="button"
							className="text-button"
							onClick={() => onChange(mixtures.filter((_, other) => other !== m))}
						>
							Take off
						</button>
					</div>
					{mixture.ingredients.map((ingredient, i) => {
						const set = (change: Partial<Mixture['ingredients'][number]>) =>
							replace(m, { ingredients: mixture.ingredients.map((one, k) => (k === i ? { ...one, ...change } : one)) })
						return (
							<div className="field-row" key={i}>
								<TextField
									label="Of"
									value={ingredient.name}
									maxLength={80}
									onChange={(name) => set({ name: name || 'ingredient' })}
								/>
								<NumberField
									label="Amount"
									value={ingredient.amount}
									min={0.01}
									max={10_000}
									step={0.25}
									onChange={(amount) => set({ amount })}
								/>
								<ChecksField
									label="Allergens"
									value={ingredient.allergens ?? []}
									options={ALLERGENS}
									onChange={(allergens) => {
										const { allergens: _, ...plain } = ingredient
										replace(m, {
											ingredients: mixture.ingredients.map((one, k) =>
												k === i ? { ...plain, ...(allergens.length > 0 && { allergens: [...allergens] }) } : one,
											),
										})
									}}
								/>
								<SelectField
									label="Unit"
									value={ingredient.unit}
									options={wordOptions(UNITS)}
									onChange={(unit) => set({ unit })}
								/>
							</div>
						)
					})}
					<button
						type="button"
						className="text-button"
						onClick={() =>
							replace(m, { ingredients: [...mixture.ingredients, { name: 'ingredient', amount: 1, unit: 'ml' }] })
						}
					>
						+ ingredient
					</button>
				</div>
			))}
			<button
				type="button"
				className="text-button"
				onClick={() =>
					onChange([
						...mixtures,
						{
							id: freshId(slugOf('mixture'), mixtures),
							name: 'Edible glue',
							unit: 'ml',
							ingredients: [
								{ name: 'warm water', amount: 30, unit: 'ml' },
								{ name: 'CMC powder', amount: 1.25, unit: 'ml' },
							],
						},
					])
				}
			>
				+ mixture
			</button>
		</fieldset>
	)
}
