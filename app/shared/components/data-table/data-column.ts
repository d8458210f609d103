/** A column of a table: what it is called, and what stands in it. */
export interface DataColumn<Row> {
	/** Unique in its table; the head where no other is given. */
	name: string
	head?: React.ReactNode
	cell: (row: Row) => React.ReactNode
	/** Figures stand to the right. */
	isNumber?: boolean
	/** Names the row for who cannot see it. */
	isHead?: boolean
	/** Further classes of a cell. */
	cellClass?: (row: Row) => string
	/** How many columns this cell takes; 0: none, the one before has its room. */
	span?: (row: Row) => number
}
