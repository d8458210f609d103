/** What to buy: totals less the shelf, in the cheapest packs that still come in time. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Link } from 'react-router'
import { listNeeds, listShopping, type ShoppingLine, ordersBySupplier } from '../../../../core/kit/shopping-list'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { Why } from '../../../shared/components/why/why'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { readKit } from '../../read-kit.server'
import { amountWords, money } from '../../../shared/words/amounts'
import { STOCK_WORDS } from '../../words/kits'
import { daysAway, shortDay } from '../../../shared/words/times'
import { daysBetween } from '../../../../core/time/calendar'
import type { Route } from './+types/route'
import './kit-shopping.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { kit, state, stock } = await readKit(studio, await courseOfPage(context, params))
		const date = today(studio.timeZone)
		return {
			state,
			date,
			units: studio.units,
			currency: studio.kitTerms.currency,
			list: kit ? listShopping(listNeeds(kit), stock, date) : undefined,
		}
	})
}

/** What to buy, by supplier, and what is on the shelf already. */
export default function KitShoppingPage({ loaderData: { state, list, ...page } }: Route.ComponentProps) {
	const lines = list?.lines ?? []
	const suppliers = ordersBySupplier(lines)
	const orders = suppliers.flatMap((supplier) => supplier.orders)
	const first = orders.map(({ order }) => order.orderBy).toSorted()[0]
	const notOffered = lines.filter(({ toBuy, isOffered }) => toBuy > 0 && !isOffered)
	const here = lines.filter(({ toBuy }) => toBuy === 0)
	return (
		<KitNotices state={state}>
			{list && (
				<>
					<section className="sheet shopping-head" aria-label="In short">
						<p className="shopping-sum">
							{orders.length === 0 ? 'Nothing to order' : money(list.costCents, page.currency)}
						</p>
						{first && (
							<p className={first < page.date ? 'alert' : ''}>
								First order by {shortDay(first)}, {daysAway(daysBetween(page.date, first))}
								{list.deliveryCents > 0 && `; ${money(list.deliveryCents, page.currency)} of it is delivery`}
							</p>
						)}
					</section>
					{suppliers.map((supplier) => (
						<SupplierOrders key={supplier.supplierName} supplier={supplier} page={page} />
					))}
					{notOffered.length > 0 && (
						<section className="sheet" aria-labelledby="not-offered">
							<h2 id="not-offered">To get yourself</h2>
							<p className="soft">No supplier on the shelf sells these.</p>
							<NeedList lines={notOffered} units={page.units} isLinked />
						</section>
					)}
					{here.length > 0 && (
						<section className="sheet" aria-labelledby="here">
							<h2 id="here">On the shelf already</h2>
							<NeedList lines={here} units={page.units} />
						</section>
					)}
					<p className="soft">
						The cheapest packs over all suppliers that deliver in time, delivery charges included. Needed: the sum over
						all kits, what you show, bring dried and make ahead, and the reserve.
					</p>
				</>
			)}
		</KitNotices>
	)
}

type OrderPage = Pick<Route.ComponentProps['loaderData'], 'date' | 'units' | 'currency'>

function SupplierOrders({
	supplier,
	page,
}: {
	supplier: ReturnType<typeof ordersBySupplier>[number]
	page: OrderPage
}) {
	const tell = (amount: number, { unit }: ShoppingLine) => amountWords(amount, unit, page.units)
	return (
		<section className="sheet" aria-label={supplier.supplierName}>
			<h2>{supplier.supplierName}</h2>
			<DataTable
				label={`Order from ${supplier.supplierName}`}
				rows={supplier.orders}
				keyOf={({ line, order }) => `${line.key} ${order.packAmount}`}
				columns={[
					{
						name: 'What',
						isHead: true,
						cell: ({ line }) => (
							<>
								<strong>{line.name}</strong> <span className="soft small">{STOCK_WORDS[line.kind]}</span>
							</>
						),
					},
					{
						name: 'Packs',
						isNumber: true,
						cell: ({ line, order }) => (
							<strong>
								{order.packCount} × {tell(order.packAmount, line)}
							</strong>
						),
					},
					{
						name: 'Needed',
						isNumber: true,
						cell: ({ line }) => (
							<Why reasons={line.sources.map(({ what, amount }) => `${what}: ${tell(amount, line)}`)}>
								{tell(line.amount, line)}
							</Why>
						),
					},
					{
						name: 'On the shelf',
						isNumber: true,
						cell: ({ line }) => (line.onHand === 0 ? '–' : tell(line.onHand, line)),
					},
					{ name: 'Price', isNumber: true, cell: ({ order }) => money(order.costCents, page.currency) },
					{
						name: 'Order by',
						cellClass: ({ line, order }) => (line.isLate || order.orderBy < page.date ? 'is-late' : ''),
						cell: ({ line, order }) => `${shortDay(order.orderBy)}${line.isLate ? ': comes too late' : ''}`,
					},
				]}
			/>
		</section>
	)
}

function NeedList({
	lines,
	units,
	isLinked = false,
}: {
	lines: readonly ShoppingLine[]
	units: 'metric' | 'imperial'
	isLinked?: boolean
}) {
	return (
		<ul className="need-list">
			{lines.map(({ key, kind, name, unit, amount, toBuy, neededBy }) => (
				<li key={key}>
					<strong>{amountWords(isLinked ? toBuy : amount, unit, units)}</strong> {name}{' '}
					<span className="soft small">
						{STOCK_WORDS[kind]}, by {shortDay(neededBy)}
					</span>
					{isLinked && (
						<Link className="no-print small" to={`/stock?kind=${kind}&name=${encodeURIComponent(name)}`}>
							{' '}
							put on the shelf
						</Link>
					)}
				</li>
			))}
		</ul>
	)
}
