import { ScrollRegion } from '../components/scroll-region'
import type { DataColumn } from '../components/data-table/data-column'
import '../components/data-table/data-table.css'

/**
 * A few rows in columns, without anything to press. The browser's own table where the library's, with all that it brings
 * for sorting and choosing, would make a page that has many other things heavier than it may be.
 */
export function PlainTable<Row>({
	label,
	columns,
	rows,
	keyOf,
	rowClass,
	hasHead = true,
	className = '',
}: {
	/** What the table is, for who cannot see it. */
	label: string
	columns: readonly DataColumn<Row>[]
	rows: readonly Row[]
	keyOf: (row: Row) => string | number
	rowClass?: (row: Row) => string
	hasHead?: boolean
	className?: string
}) {
	return (
		<ScrollRegion label={label}>
			<table className={`plain-table ${className}`}>
				{hasHead && <PlainHead columns={columns} />}
				<tbody>
					{rows.map((row) => (
						<tr key={keyOf(row)} className={rowClass?.(row)}>
							{columns.map((column) => (
								<PlainCell key={column.name} row={row} column={column} />
							))}
						</tr>
					))}
				</tbody>
			</table>
		</ScrollRegion>
	)
}

function PlainHead<Row>({ columns }: { columns: readonly DataColumn<Row>[] }) {
	return (
		<thead>
			<tr>
				{columns.map(({ name, head, isNumber }) => (
					<th key={name} scope="col" className={isNumber ? 'number' : ''}>
						{head ?? name}
					</th>
				))}
			</tr>
		</thead>
	)
}

function PlainCell<Row>({ row, column }: { row: Row; column: DataColumn<Row> }) {
	const { cell, isNumber, isHead, cellClass, span } = column
	const columns = span?.(row) ?? 1
	if (columns === 0) return null
	const className = [isNumber ? 'number' : '', cellClass?.(row)].filter(Boolean).join(' ')
	return isHead ? (
		<th scope="row" className={className}>
			{cell(row)}
		</th>
	) : (
		<td className={className} colSpan={columns}>
			{cell(row)}
		</td>
	)
}
