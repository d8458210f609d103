/** The shelf: what is on hand, how many tools there are, who sells what at which price; from and into files. */
import { DownloadOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { Form, useSubmit } from 'react-router'
import { CsvFile } from '../../../shared/components/csv-file'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { stockActions } from '../../schemas/stock'
import type { Route } from './+types/route'
import { changeStock } from './change-stock.server'
import { loadStock } from './load-stock.server'
import { ShelfTable } from './shelf-table'
import { ItemForm, OfferForm, SupplierForm } from './stock-forms'
import { SupplierTable } from './supplier-table'
import './stock.css'
import { FileLink } from '../../../shared/components/file-link'

export function meta() {
	return [{ title: 'Shelf · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(() => loadStock(context.get(memberContext).studio, new URL(request.url).searchParams))
}

/** A file of 1 MB in a field of a form. */
const LARGEST_FILE = 1_300_000

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const action = await readIntent(request, stockActions, { maxBytes: LARGEST_FILE })
		return changeStock(context.get(memberContext).studio.id, action)
	})
}

interface Answer {
	told?: string
	undo?: Record<string, string | number>
	message?: string
	problems?: { path: string; message: string }[]
}

/** The shelf and the suppliers, each amount changed where it stands. */
export default function StockPage({ loaderData, actionData }: Route.ComponentProps) {
	const answer = (actionData ?? {}) as Answer
	const problems = answer.problems ?? []
	return (
		<>
			<div className="page-head">
				<h1>Shelf</h1>
				<StockFiles />
			</div>
			<div className="stack">
				<StockAnswer answer={answer} />
				<ItemForm asked={loaderData.asked} problems={problems} />
				<ShelfTable data={loaderData} />
				<SupplierTable data={loaderData} />
				<div className="stock-forms">
					<SupplierForm problems={problems} currency={loaderData.currency} />
					{loaderData.suppliers.length > 0 && <OfferForm data={loaderData} problems={problems} />}
				</div>
			</div>
		</>
	)
}

/** What was done, and how to take it back; or why it was not, where no field is to blame. */
function StockAnswer({ answer: { told, undo, message, problems = [] } }: { answer: Answer }) {
	const isOfNoField = problems.length === 0 || problems.some(({ path }) => path === 'text')
	return (
		<>
			{told && (
				<div className="told row" role="status">
					{told}
					{undo && (
						<Form method="post">
							{Object.entries(undo).map(([name, value]) => (
								<input key={name} type="hidden" name={name} value={value} />
							))}
							<Button type="link" htmlType="submit">
								put it back
							</Button>
						</Form>
					)}
				</div>
			)}
			{message && isOfNoField && (
				<div className="alert" role="alert">
					{problems.length === 0 ? message : problems.map((problem) => <p key={problem.message}>{problem.message}</p>)}
				</div>
			)}
		</>
	)
}

function StockFiles() {
	const submit = useSubmit()
	return (
		<div className="row push no-print">
			<FileLink href="/stock/files/shelf.csv" icon={<DownloadOutlined aria-hidden />}>
				As a file (CSV)
			</FileLink>
			<CsvFile label="From a file…" onText={(text) => void submit({ intent: 'import', text }, { method: 'post' })} />
		</div>
	)
}
