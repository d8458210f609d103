import { useState } from 'react'
import { Form } from 'react-router'
import { STOCK_KINDS, UNIT_OF_KIND, UNIT_WORDS, type StockKind } from '../../../../core/kit/stock'
import { STOCK_WORDS } from '../../words/kits'
import type { StockPageData } from './load-stock.server'

interface Problem {
	path: string
	message: string
}

const EXAMPLES: Partial<Record<StockKind, string>> = {
	wire: '24 white 360 mm',
	offcut: '24 white 140 mm',
	tool: 'petal veiner',
}

function unitWords(kind: StockKind): string {
	return kind === 'ingredient' ? 'ml or g' : UNIT_WORDS[UNIT_OF_KIND[kind]]
}

/** Puts something on the shelf. */
export function ItemForm({ asked, problems }: { asked: StockPageData['asked']; problems: readonly Problem[] }) {
	const [kind, setKind] = useState<StockKind>(asked.kind ?? 'paste')
	return (
		<Form method="post" className="sheet stock-form" key={asked.name} aria-labelledby="put">
			<h2 id="put">Put on the shelf</h2>
			<input type="hidden" name="intent" value="item" />
			<KindField kind={kind} onChange={setKind} />
			<label>
				Name
				<input name="name" defaultValue={asked.name} maxLength={80} placeholder={EXAMPLES[kind]} required />
				<Told problems={problems} path="name" />
			</label>
			<label>
				{kind === 'tool' ? 'How many' : `On hand, ${unitWords(kind)}`}
				<input name="onHand" type="number" step="any" min={0} required className="short" />
				<Told problems={problems} path="onHand" />
			</label>
			<button className="button-link primary">Keep</button>
		</Form>
	)
}

export function SupplierForm({ problems, currency }: { problems: readonly Problem[]; currency: string }) {
	return (
		<Form method="post" className="sheet stock-form" aria-labelledby="supplier">
			<h2 id="supplier">A supplier</h2>
			<input type="hidden" name="intent" value="supplier" />
			<label>
				Name
				<input name="name" maxLength={80} required />
			</label>
			<label>
				Days until it comes
				<input name="leadDays" type="number" min={0} max={365} step={1} required className="short" />
				<Told problems={problems} path="leadDays" />
			</label>
			<label>
				Delivery, {currency}
				<input name="delivery" type="number" min={0} step="0.01" defaultValue={0} required className="short" />
				<Told problems={problems} path="delivery" />
			</label>
			<button className="button-link">Keep the supplier</button>
		</Form>
	)
}

/** A pack and its price. */
export function OfferForm({
	data: { suppliers, items, currency },
	problems,
}: {
	data: StockPageData
	problems: readonly Problem[]
}) {
	const [kind, setKind] = useState<StockKind>('paste')
	return (
		<Form method="post" className="sheet stock-form" aria-labelledby="offer">
			<h2 id="offer">A pack and its price</h2>
			<input type="hidden" name="intent" value="offer" />
			<label>
				From
				<select name="supplierId" required>
					{suppliers.map(({ id, name }) => (
						<option key={id} value={id}>
							{name}
						</option>
					))}
				</select>
				<Told problems={problems} path="supplierId" />
			</label>
			<KindField kind={kind} onChange={setKind} />
			<label>
				Name
				<input name="name" list="shelf-names" maxLength={80} placeholder={EXAMPLES[kind]} required />
			</label>
			<datalist id="shelf-names">
				{items
					.filter((item) => item.kind === kind)
					.map(({ id, name }) => (
						<option key={id} value={name} />
					))}
			</datalist>
			<label>
				Pack, {unitWords(kind)}
				<input name="pack" type="number" step="any" min={0} required className="short" />
				<Told problems={problems} path="pack" />
			</label>
			<label>
				Price, {currency}
				<input name="price" type="number" min={0} step="0.01" required className="short" />
				<Told problems={problems} path="price" />
			</label>
			<button className="button-link">Keep the pack</button>
		</Form>
	)
}

function KindField({ kind, onChange }: { kind: StockKind; onChange: (kind: StockKind) => void }) {
	return (
		<label>
			Kind
			<select name="kind" value={kind} onChange={({ target }) => onChange(target.value as StockKind)}>
				{STOCK_KINDS.map((one) => (
					<option key={one} value={one}>
						{STOCK_WORDS[one]}
					</option>
				))}
			</select>
		</label>
	)
}

function Told({ problems, path }: { problems: readonly Problem[]; path: string }) {
	const found = problems.find((problem) => problem.path === path)
	return found ? (
		<span className="field-problem" role="alert">
			{found.message}
		</span>
	) : null
}
