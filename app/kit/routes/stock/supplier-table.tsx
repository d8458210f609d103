import { Button } from 'antd'
import { useSubmit } from 'react-router'
import { UNIT_OF_KIND, stockKey, type StockKind } from '../../../../core/kit/stock'
import { amountWords, money } from '../../../shared/words/amounts'
import { STOCK_WORDS } from '../../words/kits'
import { count } from '../../../shared/words/times'
import type { StockPageData } from './load-stock.server'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import { LinePress } from '../../../shared/components/line-press'

/** Suppliers with their packs. */
export function SupplierTable({ data }: { data: StockPageData }) {
	const { suppliers, offers, currency } = data
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const askToDelete = ({ id, name, version }: StockPageData['suppliers'][number]) =>
		ask({
			title: `Delete “${name}”?`,
			content: 'Its packs and prices go with it.',
			doIt: 'Delete',
			keep: 'Keep it',
			onDo: () => void submit({ intent: 'delete-supplier', id, version }, { method: 'post' }),
		})
	return (
		<>
			{suppliers.map((supplier) => (
				<section key={supplier.id} className="sheet" aria-label={supplier.name}>
					<div className="row">
						<h2>{supplier.name}</h2>
						<span className="soft">
							{supplier.leadDays === 0 ? 'at once' : `comes in ${count(supplier.leadDays, 'day')}`},{' '}
							{supplier.deliveryCents === 0
								? 'no delivery charge'
								: `delivery ${money(supplier.deliveryCents, currency)}`}
						</span>
						<Button className="push no-print" onClick={() => askToDelete(supplier)}>
							Delete
						</Button>
					</div>
					<ul className="offer-list">
						{offers
							.filter(({ supplierId }) => supplierId === supplier.id)
							.map((offer) => (
								<OfferLine key={offer.id} offer={offer} data={data} />
							))}
					</ul>
				</section>
			))}
		</>
	)
}

function OfferLine({
	offer: { id, version, itemKey, amount, priceCents },
	data,
}: {
	offer: StockPageData['offers'][number]
	data: StockPageData
}) {
	const name = nameOf(itemKey, data)
	return (
		<li>
			<span>{name}</span>
			<b>{packWords(itemKey, amount, data)}</b>
			<span>{money(priceCents, data.currency)}</span>
			<LinePress intent="delete-offer" fields={{ id, version }} label={`Take off the pack of ${name}`}>
				take off
			</LinePress>
		</li>
	)
}

function nameOf(itemKey: string, { offeredItems: items }: StockPageData): string {
	const known = items.find(({ kind, name }) => stockKey(kind, name) === itemKey)
	const [kind = '', ...rest] = itemKey.split(':')
	return `${known?.name ?? rest.join(':')}, ${STOCK_WORDS[kind as StockKind].toLowerCase()}`
}

function packWords(itemKey: string, amount: number, { offeredItems: items, units }: StockPageData): string {
	const known = items.find(({ kind, name }) => stockKey(kind, name) === itemKey)
	const kind = itemKey.slice(0, itemKey.indexOf(':')) as StockKind
	return amountWords(amount, known?.unit ?? (kind === 'ingredient' ? 'µl' : UNIT_OF_KIND[kind]), units)
}
