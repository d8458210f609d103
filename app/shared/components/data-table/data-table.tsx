import { Table } from 'antd'
import { ScrollRegion } from '../scroll-region'
import type { DataColumn } from './data-column'
import './data-table.css'

interface DataTableProps<Row> {
	/** What the table is, for who cannot see it. */
	label: string
	columns: readonly DataColumn<Row>[]
	rows: readonly Row[]
	keyOf: (row: Row) => string | number
	rowClass?: (row: Row) => string
	/** Below the last row, a cell for each column. */
	foot?: readonly React.ReactNode[]
	hasHead?: boolean
	className?: string
}

/** Rows in columns, complete on paper; where it is too wide it scrolls in its own frame. */
export function DataTable<Row extends object>({
	label,
	columns,
	rows,
	keyOf,
	rowClass = () => '',
	foot,
	hasHead = true,
	className = '',
}: DataTableProps<Row>) {
	return (
		<ScrollRegion label={label}>
			<Table<Row>
				className={`data-table ${className}`}
				size="small"
				pagination={false}
				showHeader={hasHead}
				dataSource={[...rows]}
				rowKey={keyOf}
				rowClassName={rowClass}
				columns={columns.map(toLibraryColumn)}
				{...(foot && { summary: () => <Foot cells={foot} columns={columns} /> })}
			/>
		</ScrollRegion>
	)
}

function toLibraryColumn<Row>({ name, head, cell, isNumber, isHead, cellClass, span }: DataColumn<Row>) {
	const align = isNumber ? 'number' : ''
	return {
		key: name,
		title: head ?? name,
		...(isHead && { rowScope: 'row' as const }),
		render: (_: unknown, row: Row) => cell(row),
		onHeaderCell: () => ({ className: align }),
		onCell: (row: Row) => ({
			className: [align, cellClass?.(row)].filter(Boolean).join(' '),
			...(span && { colSpan: span(row) }),
		}),
	}
}

function Foot<Row>({ cells, columns }: { cells: readonly React.ReactNode[]; columns: readonly DataColumn<Row>[] }) {
	return (
		<Table.Summary.Row>
			{cells.map((cell, c) => (
				<Table.Summary.Cell key={c} index={c} className={columns[c]?.isNumber ? 'number' : ''}>
					{cell}
				</Table.Summary.Cell>
			))}
		</Table.Summary.Row>
	)
}
