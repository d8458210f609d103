import { CloseOutlined, PlusOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { withValues } from '../../../../../core/design/edits/conditions'

interface ListFieldsProps<T> {
	items: readonly T[]
	keyOf: (item: T, index: number) => string | number
	/** For who cannot see which item a button belongs to. */
	nameOf: (item: T) => string
	addLabel: string
	makeNew: () => T
	onChange: (items: T[]) => void
	/** What stands in the way of taking an item off; undefined: nothing. */
	holdsOf?: (item: T) => string | undefined
	/** The fields of one item; `undefined` takes an optional value away. */
	children: (item: T, set: (change: { [K in keyof T]?: T[K] | undefined }) => void) => React.ReactNode
}

/** A list whose items can be changed, taken off, and added to. */
export function ListFields<T extends object>({
	items,
	keyOf,
	nameOf,
	addLabel,
	makeNew,
	onChange,
	holdsOf = () => undefined,
	children,
}: ListFieldsProps<T>) {
	return (
		<>
			{items.map((item, i) => (
				<div className="listed-line" key={keyOf(item, i)}>
					<div className="field-row">
						{children(item, (change) => onChange(items.map((one, k) => (k === i ? withValues(one, change) : one))))}
					</div>
					<Button
						type="text"
						icon={<CloseOutlined aria-hidden />}
						aria-label={`Take off ${nameOf(item)}`}
						disabled={holdsOf(item) !== undefined}
						title={holdsOf(item)}
						onClick={() => onChange(items.filter((_, k) => k !== i))}
					/>
				</div>
			))}
			<Button type="dashed" icon={<PlusOutlined aria-hidden />} onClick={() => onChange([...items, makeNew()])}>
				{addLabel}
			</Button>
		</>
	)
}
