import { amountOfSeat } from '../../../../core/kit/bill'
import type { UnitSystem } from '../../../../core/materials/units'
import { amountWords } from '../../../shared/words/amounts'
import { OptionLink } from '../../../shared/components/option-link'
import { seatName } from '../../words/kits'
import { count } from '../../../shared/words/times'
import type { ShownKit } from './seat-kit'

const SIZES = [2, 3, 4, 6, 8]

/** What stands on each table: its students, their paste by colour, what they share. */
export function TableKits({ kit, size, units }: { kit: ShownKit; size: number; units: UnitSystem }) {
	const tables = Array.from({ length: Math.ceil(kit.seats.length / size) }, (_, t) =>
		kit.seats.slice(t * size, (t + 1) * size),
	)
	return (
		<>
			<div className="kit-views no-print" role="group" aria-label="Students at a table">
				{SIZES.map((option) => (
					<OptionLink key={option} to={`?view=tables&table=${option}`} isCurrent={option === size}>
						{option} at a table
					</OptionLink>
				))}
			</div>
			<div className="table-kits">
				{tables.map((seats, t) => {
					const sum = (kits: number[]) =>
						seats.reduce((total, { number }) => total + amountOfSeat({ kits }, number - 1), 0)
					return (
						<section key={t} className="sheet" aria-label={`Table ${t + 1}`}>
							<h2>Table {t + 1}</h2>
							<p className="soft">{seats.map(seatName).join(', ')}</p>
							<dl className="figures">
								{kit.paste
									.filter(({ shares }) => sum(shares.kits) > 0)
									.map(({ item, handOut: shares }) => (
										<div key={item.key} className="figure-row">
											<dt>
												{item.paste}, {item.colour}
											</dt>
											<dd>{amountWords(sum(shares.kits), 'mg', units)}</dd>
										</div>
									))}
								{kit.supplies
									.filter(({ shares }) => sum(shares.kits) > 0)
									.map(({ item, shares }) => (
										<div key={item.key} className="figure-row">
											<dt>{item.name}</dt>
											<dd>{amountWords(sum(shares.kits), item.unit, units)}</dd>
										</div>
									))}
							</dl>
							<p className="soft small">
								{kit.formers
									.filter(({ peakMinute }) => peakMinute !== undefined)
									.map(({ former, peakCount }) => {
										const share = Math.ceil((peakCount * seats.length) / kit.seats.length)
										return `${former}: ${count(share, 'piece')} at once`
									})
									.join('; ')}
							</p>
						</section>
					)
				})}
			</div>
		</>
	)
}
