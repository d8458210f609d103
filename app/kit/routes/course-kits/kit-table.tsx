import type { KitLine } from '../../../../core/kit/class-kit'
import { sumOfKits, type AmountUnit } from '../../../../core/kit/bill'
import type { UnitSystem } from '../../../../core/materials/units'
import { WhyAmount } from '../../../shared/components/why-amount/why-amount'
import { amountWords } from '../../../shared/words/amounts'
import { pasteSourceWords, supplySourceWords } from '../../words/kits'
import { describeForm } from '../../../shared/words/terms'
import type { ShownKit } from './seat-kit'

/** Pieces of one kit beside the sums of the class. */
export function KitTable({ lines, spareWords }: { lines: readonly KitLine[]; spareWords: string }) {
	const hasSwaps = lines.some(({ shares }) => shares.swapOuts > 0)
	const designCount = new Set(lines.map(({ designId }) => designId)).size
	return (
		<div className="scroll-x" tabIndex={0} role="region" aria-label="Pieces by part">
			<table className="kit-table">
				<thead>
					<tr>
						<th>Part</th>
						<th className="number kit-main">In one kit</th>
						<th className="number">needed</th>
						<th className="number">spare</th>
						<th className="number">all kits</th>
						<th className="number">to show</th>
						{hasSwaps && <th className="number">brought dry</th>}
						<th className="number kit-main">In all</th>
					</tr>
				</thead>
				<tbody>
					{lines.map((line) => (
						<tr key={`${line.designId} ${line.part.id}`} className={`tint-${line.part.tint}`}>
							<td className="kit-part">
								<strong>{line.part.name}</strong>
								{designCount > 1 && <span className="soft"> {line.designName}</span>}
								{line.isMadeAhead && <span className="kit-ahead"> handed out finished</span>}
								<span className="soft small kit-form">
									{describeForm(line.part.form)}
									{line.part.paste && `; ${line.part.paste}, ${line.part.colour}`}
								</span>
							</td>
							<td className="number kit-main">
								<WhyAmount amount={String(line.shares.usual)} why={pieceWhy(line, spareWords)} />
							</td>
							<td className="number">{line.needed}</td>
							<td className="number">{line.spares === 0 ? '–' : line.spares}</td>
							<td className="number">{sumOfKits(line.shares)}</td>
							<td className="number">{line.shares.demo || '–'}</td>
							{hasSwaps && <td className="number">{line.shares.swapOuts || '–'}</td>}
							<td className="number kit-main">{line.shares.total}</td>
						</tr>
					))}
				</tbody>
				<tfoot>
					<tr>
						<td>All pieces</td>
						<td className="number kit-main">{sumOf(lines, ({ shares }) => shares.usual)}</td>
						<td className="number">{sumOf(lines, ({ needed }) => needed)}</td>
						<td className="number">{sumOf(lines, ({ spares }) => spares)}</td>
						<td className="number">{sumOf(lines, ({ shares }) => sumOfKits(shares))}</td>
						<td className="number">{sumOf(lines, ({ shares }) => shares.demo)}</td>
						{hasSwaps && <td className="number">{sumOf(lines, ({ shares }) => shares.swapOuts)}</td>}
						<td className="number kit-main">{sumOf(lines, ({ shares }) => shares.total)}</td>
					</tr>
				</tfoot>
			</table>
		</div>
	)
}

/** What the pieces of one kit come from. */
function pieceWhy({ part, needed, spares }: KitLine, spareWords: string): string[] {
	return [
		`${needed} needed: ${part.piecesPerFlower} a flower`,
		...(spares > 0
			? [
					`${spares} spare: a practised hand loses ${Math.round(100 * part.breakage)} % of them, this group more; so there are enough ${spareWords} (binomial tail)`,
				]
			: []),
	]
}

function sumOf(lines: readonly KitLine[], valueOf: (line: KitLine) => number): number {
	return lines.reduce((total, line) => total + valueOf(line), 0)
}

/** Paste and supplies: whose they are, and their sum. */
export function AmountTable({ kit, units }: { kit: ShownKit; units: UnitSystem }) {
	const rows = [
		...kit.paste.map(({ item, shares, sources }) => ({
			key: item.key,
			name: `${item.paste}, ${item.colour}`,
			unit: 'mg' as const,
			shares,
			why: sources.map((source) => pasteSourceWords(source, units)),
		})),
		...kit.supplies.map(({ item, shares, sources }) => ({
			key: item.key,
			name: item.name,
			unit: item.unit,
			shares,
			why: sources.map((source) => supplySourceWords(source, item.unit, units)),
		})),
	]
	return (
		<div className="scroll-x" tabIndex={0} role="region" aria-label="Paste and supplies">
			<table className="kit-table">
				<thead>
					<tr>
						<th>What</th>
						<th className="number kit-main">In one kit</th>
						<th className="number">all kits</th>
						<th className="number">you ahead</th>
						<th className="number">to show</th>
						<th className="number">brought dry</th>
						<th className="number">reserve</th>
						<th className="number kit-main">In all</th>
					</tr>
				</thead>
				<tbody>
					{rows.map(({ key, name, unit, shares, why }) => (
						<tr key={key}>
							<td className="kit-part">{name}</td>
							<td className="number kit-main">
								<WhyAmount amount={tell(shares.usual, unit, units)} why={why} />
							</td>
							<td className="number">{tell(sumOfKits(shares), unit, units)}</td>
							<td className="number">{tell(shares.ahead, unit, units)}</td>
							<td className="number">{tell(shares.demo, unit, units)}</td>
							<td className="number">{tell(shares.swapOuts, unit, units)}</td>
							<td className="number">{tell(shares.reserve, unit, units)}</td>
							<td className="number kit-main">{tell(shares.total, unit, units)}</td>
						</tr>
					))}
				</tbody>
			</table>
		</div>
	)
}

function tell(amount: number, unit: AmountUnit, units: UnitSystem): string {
	return amount === 0 ? '–' : amountWords(amount, unit, units)
}
