interface ListFieldsProps<T> {
	legend: string
	items: readonly T[]
	keyOf: (item: T, index: number) => string | number
	addLabel: string
	makeNew: () => T
	onChange: (items: T[]) => void
	/** What stands in the way of taking an item off; undefined: nothing. */
	holdsOf?: (item: T) => string | undefined
	/** The fields of one item. */
	children: (item: T, set: (change: Partial<T>) => void) => React.ReactNode
}

/** A list whose items can be changed, taken off, and added to. */
export function ListFields<T extends object>({
	legend,
	items,
	keyOf,
	addLabel,
	makeNew,
	onChange,
	holdsOf = () => undefined,
	children,
}: ListFieldsProps<T>) {
	return (
		<fieldset className="list-fields">
			<legend>{legend}</legend>
			{items.map((item, i) => (
				<div className="field-row" key={keyOf(item, i)}>
					{children(item, (change) => onChange(items.map((one, k) => (k === i ? { ...one, ...change } : one))))}
					<button
						type="button"
						className="text-button"
						disabled={holdsOf(item) !== undefined}
						title={holdsOf(item)}
						onClick={() => onChange(items.filter((_, k) => k !== i))}
					>
						Take off
					</button>
				</div>
			))}
			<button type="button" className="text-button" onClick={() => onChange([...items, makeNew()])}>
				{addLabel}
			</button>
		</fieldset>
	)
}
