import { Button } from 'antd'
import { useState } from 'react'
import { Form } from 'react-router'
import { STOCK_KINDS, UNIT_OF_KIND, UNIT_WORDS, type StockKind } from '../../../../core/kit/stock'
import type { FieldProblem } from '../../../../core/errors'
import { SelectField } from '../../../shared/components/fields/choice-fields'
import { PlainNumber, PlainSelect, PlainText } from '../../../shared/components/fields/plain-fields'
import { problemsByField } from '../../../shared/http/refusal'
import { STOCK_WORDS } from '../../words/kits'
import type { StockPageData } from './load-stock.server'
import { NameField } from './name-field'

const EXAMPLES: Partial<Record<StockKind, string>> = {
	wire: '24 white 360 mm',
	offcut: '24 white 140 mm',
	tool: 'petal veiner',
}

function unitWords(kind: StockKind): string {
	return kind === 'ingredient' ? 'ml or g' : UNIT_WORDS[UNIT_OF_KIND[kind]]
}

/** Puts something on the shelf. */
export function ItemForm({ asked, problems }: { asked: StockPageData['asked']; problems: readonly FieldProblem[] }) {
	const [kind, setKind] = useState<StockKind>(asked.kind ?? 'paste')
	const problemOf = problemsByField(problems)
	return (
		<Form method="post" className="sheet stock-form" key={asked.name} aria-labelledby="put">
			<h2 id="put">Put on the shelf</h2>
			<input type="hidden" name="intent" value="item" />
			<KindField kind={kind} onChange={setKind} />
			<PlainText
				name="name"
				label="Name"
				defaultValue={asked.name}
				maxLength={80}
				placeholder={EXAMPLES[kind]}
				isRequired
				problem={problemOf('name')}
			/>
			<PlainNumber
				name="onHand"
				label={kind === 'tool' ? 'How many' : `On hand, ${unitWords(kind)}`}
				isRequired
				problem={problemOf('onHand')}
			/>
			<Button type="primary" htmlType="submit">
				Keep
			</Button>
		</Form>
	)
}

/** Somebody who sells. */
export function SupplierForm({ problems, currency }: { problems: readonly FieldProblem[]; currency: string }) {
	const problemOf = problemsByField(problems)
	return (
		<Form method="post" className="sheet stock-form" aria-labelledby="supplier">
			<h2 id="supplier">A supplier</h2>
			<input type="hidden" name="intent" value="supplier" />
			<PlainText name="name" label="Name" maxLength={80} isRequired />
			<PlainNumber name="leadDays" label="Days until it comes" isRequired problem={problemOf('leadDays')} />
			<PlainNumber
				name="delivery"
				label="Delivery"
				unit={currency}
				defaultValue={0}
				isRequired
				problem={problemOf('delivery')}
			/>
			<Button htmlType="submit">Keep the supplier</Button>
		</Form>
	)
}

/** A pack and its price. */
export function OfferForm({
	data: { suppliers, items, currency },
	problems,
}: {
	data: StockPageData
	problems: readonly FieldProblem[]
}) {
	const [kind, setKind] = useState<StockKind>('paste')
	const problemOf = problemsByField(problems)
	return (
		<Form method="post" className="sheet stock-form" aria-labelledby="offer">
			<h2 id="offer">A pack and its price</h2>
			<input type="hidden" name="intent" value="offer" />
			<PlainSelect
				name="supplierId"
				label="From"
				options={suppliers.map(({ id, name }) => ({ value: String(id), label: name }))}
				problem={problemOf('supplierId')}
			/>
			<KindField kind={kind} onChange={setKind} />
			<NameField
				names={items.filter((item) => item.kind === kind).map(({ name }) => name)}
				placeholder={EXAMPLES[kind]}
			/>
			<PlainNumber name="pack" label={`Pack, ${unitWords(kind)}`} isRequired problem={problemOf('pack')} />
			<PlainNumber name="price" label="Price" unit={currency} isRequired problem={problemOf('price')} />
			<Button htmlType="submit">Keep the pack</Button>
		</Form>
	)
}

function KindField({ kind, onChange }: { kind: StockKind; onChange: (kind: StockKind) => void }) {
	return <SelectField name="kind" label="Kind" value={kind} options={KINDS} onChange={onChange} />
}

const KINDS = STOCK_KINDS.map((value) => ({ value, label: STOCK_WORDS[value] }))
