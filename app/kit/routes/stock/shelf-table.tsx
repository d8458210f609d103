import { Form } from 'react-router'
import { STOCK_KINDS, type StockKind } from '../../../../core/kit/stock'
import { STOCK_WORDS } from '../../words/kits'
import { withPoint } from '../../../shared/components/fields/number-words'
import { ListSearch } from '../../../shared/components/list-search/list-search'
import { PageLinks } from '../../../shared/components/page-links'
import { count } from '../../../shared/words/times'
import type { StockPageData } from './load-stock.server'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import { LinePress } from '../../../shared/components/line-press'

/** What is on hand, kind by kind; each amount changed where it stands. */
export function ShelfTable({ data }: { data: StockPageData }) {
	const { items, hasItems, itemCount, sought } = data
	if (!hasItems) {
		return (
			<section className="sheet empty">
				<h2>Nothing is on the shelf yet</h2>
				<p className="soft">
					Shopping lists then ask for everything, and tools count as enough for everybody. Begin with what is dear and
					shared: veiners, cutters, moulds.
				</p>
			</section>
		)
	}
	return (
		<section className="sheet" aria-labelledby="on-hand">
			<div className="row">
				<h2 id="on-hand">On hand</h2>
			</div>
			<ListSearch
				placeholder="white wire, veiner"
				terms={[]}
				found={count(itemCount, 'line')}
				clearTo={sought === '' ? undefined : '/stock'}
			/>
			{items.length === 0 && <p className="soft">Nothing on the shelf is called that.</p>}
			<div className="shelf-kinds">
				{STOCK_KINDS.map((kind) => (
					<KindList key={kind} kind={kind} items={items.filter((item) => item.kind === kind)} />
				))}
			</div>
			<PageLinks page={data.page} pageCount={data.pageCount} />
		</section>
	)
}

function KindList({ kind, items }: { kind: StockKind; items: StockPageData['items'] }) {
	if (items.length === 0) return null
	return (
		<div className="shelf-kind">
			<h3>{STOCK_WORDS[kind]}</h3>
			<ul>
				{items.map((item) => (
					<ShelfLine key={item.id} item={item} />
				))}
			</ul>
		</div>
	)
}

/** One thing on the shelf: its amount is kept as soon as the field is left. */
function ShelfLine({ item }: { item: StockPageData['items'][number] }) {
	return (
		<li>
			<Form method="post" className="shelf-line" preventScrollReset>
				<Hidden values={{ intent: 'item', id: item.id, version: item.version, kind: item.kind, name: item.name }} />
				<span>{item.name}</span>
				<DecimalInput
					key={`${item.shown} ${item.version}`}
					name="onHand"

					defaultValue={item.shown}
					aria-label={`${item.name}: on hand, ${item.unitWords}`}
					suffix={item.unitWords}
					onBlur={({ target }) => {
						if (target.value !== '' && Number(withPoint(target.value)) !== item.shown) target.form?.requestSubmit()
					}}
				/>
			</Form>
			<LinePress
				intent="delete-item"
				fields={{ id: item.id, version: item.version }}
				label={`Take ${item.name} off the shelf`}
			>
				take off
			</LinePress>
		</li>
	)
}

function Hidden({ values }: { values: Readonly<Record<string, string | number>> }) {
	return Object.entries(values).map(([name, value]) => <input key={name} type="hidden" name={name} value={value} />)
}
