import type { KitLine } from '../../../../core/kit/class-kit'
import { sumOfKits, type AmountUnit } from '../../../../core/kit/bill'
import type { UnitSystem } from '../../../../core/materials/units'
import type { DataColumn } from '../../../shared/components/data-table/data-column'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { Why } from '../../../shared/components/why/why'
import { amountWords } from '../../../shared/words/amounts'
import { needsWords, pasteSourceWords, supplySourceWords } from '../../words/kits'
import { describeForm } from '../../../shared/words/terms'
import type { ShownKit } from './seat-kit'

/** Pieces of one kit beside the sums of the class. */
export function KitTable({ lines, spareWords }: { lines: readonly KitLine[]; spareWords: string }) {
	const hasSwaps = lines.some(({ shares }) => shares.swapOuts > 0)
	const designCount = new Set(lines.map(({ designId }) => designId)).size
	const columns: DataColumn<KitLine>[] = [
		{
			name: 'Part',
			isHead: true,
			cellClass: ({ part }) => `kit-part tint-${part.tint}`,
			cell: (line) => <PartCell line={line} hasDesignName={designCount > 1} />,
		},
		{
			name: 'In one kit',
			isNumber: true,
			cellClass: () => 'kit-main',
			cell: (line) => <Why reasons={pieceWhy(line, spareWords)}>{line.shares.usual}</Why>,
		},
		{ name: 'needed', isNumber: true, cell: ({ needed }) => needed },
		{ name: 'spare', isNumber: true, cell: ({ spares }) => spares || '–' },
		{ name: 'all kits', isNumber: true, cell: ({ shares }) => sumOfKits(shares) },
		{ name: 'to show', isNumber: true, cell: ({ shares }) => shares.demo || '–' },
		...(hasSwaps
			? [{ name: 'brought dry', isNumber: true, cell: ({ shares }: KitLine) => shares.swapOuts || '–' }]
			: []),
		{ name: 'In all', isNumber: true, cellClass: () => 'kit-main', cell: ({ shares }) => shares.total },
	]
	const foot = [
		'All pieces',
		sumOf(lines, ({ shares }) => shares.usual),
		sumOf(lines, ({ needed }) => needed),
		sumOf(lines, ({ spares }) => spares),
		sumOf(lines, ({ shares }) => sumOfKits(shares)),
		sumOf(lines, ({ shares }) => shares.demo),
		...(hasSwaps ? [sumOf(lines, ({ shares }) => shares.swapOuts)] : []),
		sumOf(lines, ({ shares }) => shares.total),
	]
	return (
		<DataTable
			label="Pieces by part"
			className="kit-table"
			rows={lines}
			keyOf={({ designId, part }) => `${designId} ${part.id}`}
			columns={columns}
			foot={foot}
		/>
	)
}

function PartCell({
	line: { part, designName, isMadeAhead },
	hasDesignName,
}: {
	line: KitLine
	hasDesignName: boolean
}) {
	return (
		<>
			<strong>{part.name}</strong>
			{hasDesignName && <span className="soft"> {designName}</span>}
			{isMadeAhead && <span className="kit-ahead"> handed out finished</span>}
			<span className="soft small kit-form">
				{describeForm(part.form)}
				{part.paste && `; ${part.paste}, ${part.colour}`}
			</span>
		</>
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
		...kit.paste.map(({ item, shares, handOut, sources }) => ({
			key: item.key,
			name: `${item.paste}, ${item.colour}`,
			unit: 'mg' as const,
			shares: handOut,
			reasons: [...sources.map((source) => pasteSourceWords(source, units)), needsWords(shares.usual, units)],
		})),
		...kit.supplies.map(({ item, shares, sources }) => ({
			key: item.key,
			name: item.name,
			unit: item.unit,
			shares,
			reasons: sources.map((source) => supplySourceWords(source, item.unit, units)),
		})),
	]
	const amount = (
		name: string,
		of: (shares: AmountShares) => number,
		isMain = false,
	): DataColumn<(typeof rows)[number]> => ({
		name,
		isNumber: true,
		cellClass: () => (isMain ? 'kit-main' : ''),
		cell: ({ shares, unit }) => tell(of(shares), unit, units),
	})
	return (
		<DataTable
			label="Paste and supplies"
			className="kit-table"
			rows={rows}
			keyOf={({ key }) => key}
			columns={[
				{ name: 'What', isHead: true, cellClass: () => 'kit-part', cell: ({ name }) => name },
				{
					name: 'In one kit',
					isNumber: true,
					cellClass: () => 'kit-main',
					cell: ({ shares, unit, reasons }) => <Why reasons={reasons}>{tell(shares.usual, unit, units)}</Why>,
				},
				amount('all kits', sumOfKits),
				amount('you ahead', ({ ahead }) => ahead),
				amount('to show', ({ demo }) => demo),
				amount('brought dry', ({ swapOuts }) => swapOuts),
				amount('reserve', ({ reserve }) => reserve),
				amount('In all', ({ total }) => total, true),
			]}
		/>
	)
}

type AmountShares = ShownKit['paste'][number]['shares']

function tell(amount: number, unit: AmountUnit, units: UnitSystem): string {
	return amount === 0 ? '–' : amountWords(amount, unit, units)
}
