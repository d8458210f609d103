import type { PreparationItem } from '../../core/kit/preparation'
import { Why } from '../shared/components/why/why'
import { count, duration, wait } from '../shared/words/times'

/** What to get ready, each with what it takes. */
export function PreparationList({ items, prepMinutes }: { items: readonly PreparationItem[]; prepMinutes: number }) {
	return (
		<>
			<ul className="preparation">
				{items.map((item, i) => (
					<li key={i}>
						<PreparationWords item={item} />
					</li>
				))}
			</ul>
			<p className="preparation-sum">
				<Why reasons={prepReasons(items)}>
					{prepMinutes === 0 ? 'Nothing to make ahead' : `${duration(prepMinutes)} of your time`}
				</Why>
				{prepMinutes > 0 && <span className="soft"> before the first session, wires and packing apart</span>}
			</p>
		</>
	)
}

function PreparationWords({ item }: { item: PreparationItem }) {
	switch (item.type) {
		case 'swap':
			return (
				<>
					<strong>
						Bring {item.pieceCount} × {item.partName.toLowerCase()}, {item.stage ?? 'dried'}
					</strong>
					<span className="soft">
						made up to “{item.label.toLowerCase()}”, {duration(item.minutes)}, then allow {wait(item.dryingMinutes)} to
						dry
					</span>
				</>
			)
		case 'ahead':
			return (
				<>
					<strong>
						{item.partName}: {item.label.toLowerCase()}
					</strong>
					<span className="soft">for all students, {duration(item.minutes)}</span>
				</>
			)
		case 'wires':
			return (
				<>
					<strong>
						Cut {count(item.pieceCount, 'wire')}, {item.gauge} gauge {item.colour}
					</strong>
					<span className="soft">from {item.wireCount} stock wires. Point down, hold both ends, eye protection.</span>
				</>
			)
		case 'kits':
			return (
				<>
					<strong>Pack {count(item.kitCount, 'kit')}</strong>
					<span className="soft">
						{count(item.pieceCount, 'piece')} each, {item.spareCount} of them spare
					</span>
				</>
			)
	}
}

/** What her time before goes into. */
function prepReasons(items: readonly PreparationItem[]): string[] {
	return items.flatMap((item) =>
		'minutes' in item ? [`${item.partName}, ${item.label.toLowerCase()}: ${duration(item.minutes)}`] : [],
	)
}
