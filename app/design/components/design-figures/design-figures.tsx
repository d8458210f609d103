import type { AllergenSource } from '../../../../core/design/allergens'
import type { DesignFigures } from '../../../../core/design/design-figures'
import type { FigureShares } from '../../../../core/design/figure-shares'
import { Why } from '../../../shared/components/why/why'
import { figureReasons } from '../../words/figure-reasons'
import { count, duration, wait } from '../../../shared/words/times'

/** One flower in figures: time, paste, wire, tape, weight, mixtures, allergens. */
export function DesignFigureList({
	figures,
	shares,
	allergens,
}: {
	figures: DesignFigures
	/** What the figures are made of. */
	shares: FigureShares
	allergens: readonly AllergenSource[]
}) {
	const { handsOnMinutes, elapsedMinutes, paste, pasteG, wires, tapeMm, massG, mixtures } = figures
	const reasons = figureReasons(shares)
	const wireCount = wires.reduce((total, wire) => total + wire.count, 0)
	return (
		<dl className="figures design-figures">
			<dt>Work, practised hand</dt>
			<dd>
				<Why reasons={reasons.work}>{duration(handsOnMinutes)}</Why>
			</dd>
			<dt>With the usual drying</dt>
			<dd>
				<Why reasons={reasons.elapsed}>{wait(elapsedMinutes)}</Why>
			</dd>
			<dt>Paste</dt>
			<dd>
				<Why reasons={reasons.paste}>{grams(pasteG)}</Why>
				{paste.length > 1 && (
					<span className="soft small">
						{paste.map(({ colour, massG: one }) => `${colour} ${grams(one)}`).join(', ')}
					</span>
				)}
			</dd>
			<dt>Wires</dt>
			<dd>
				<Why reasons={reasons.wires}>{wireCount === 0 ? 'none' : count(wireCount, 'wire')}</Why>
				{wireCount > 0 && (
					<span className="soft small">
						{wires.map((wire) => `${wire.count} × ${wire.gauge} gauge ${wire.lengthMm / 10} cm`).join(', ')}
					</span>
				)}
			</dd>
			{tapeMm > 0 && (
				<>
					<dt>Tape</dt>
					<dd>
						<Why reasons={reasons.tape}>{(tapeMm / 1000).toFixed(1)} m</Why>
					</dd>
				</>
			)}
			{mixtures.map(({ name, amount, unit }) => (
				<MixtureFigure key={name} name={name} amount={`${amount.toFixed(amount < 10 ? 1 : 0)} ${unit}`} />
			))}
			<dt>Weighs</dt>
			<dd>
				<Why reasons={reasons.mass}>{grams(massG)}</Why>
			</dd>
			<dt>Allergens</dt>
			<dd>
				{allergens.length === 0 ? 'none known' : allergens.map(({ allergen }) => allergen).join(', ')}
				{allergens.length > 0 && (
					<span className="soft small">
						from {[...new Set(allergens.flatMap(({ sources }) => sources))].join(', ')}; labels have the last word
					</span>
				)}
			</dd>
		</dl>
	)
}

function MixtureFigure({ name, amount }: { name: string; amount: string }) {
	return (
		<>
			<dt>{name}</dt>
			<dd>{amount}</dd>
		</>
	)
}

function grams(value: number): string {
	return value < 10 ? `${value.toFixed(1)} g` : `${Math.round(value)} g`
}
