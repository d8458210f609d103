/** What a course costs, what it brings, and from how many students it pays. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Button, Form } from 'antd'
import { priceCourse, type CostLine, type CourseMoney } from '../../../../core/kit/price-course'
import type { UnitSystem } from '../../../../core/materials/units'
import { listNeeds } from '../../../../core/kit/shopping-list'
import { getCourseMoney, updateCourseMoney, type StoredMoney } from '../../../../db/repositories/courses.server'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { StaleNotice } from '../../../shared/components/stale-notice/stale-notice'
import { useVersion } from '../../../shared/components/stale-notice/use-version'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { Why } from '../../../shared/components/why/why'
import { memberContext } from '../../../shared/http/contexts'
import { readBody, readId } from '../../../shared/http/read-input.server'
import { changing, loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { moneySchema, toCourseMoney, toFields, type MoneyInput } from '../../schemas/money'
import { amountWords, money as told } from '../../../shared/words/amounts'
import { STOCK_WORDS } from '../../words/kits'
import { count, duration } from '../../../shared/words/times'
import type { Route } from './+types/route'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import './kit-cost.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, params)
		const [{ kit, state, stock, hours }, stored] = await Promise.all([
			readKit(studio, course),
			getCourseMoney(studio.id, course.id),
		])
		const { studentCount } = course
		const { money, version } = stored
		return {
			state,
			money,
			version,
			hours,
			studentCount,
			units: studio.units,
			currency: studio.kitTerms.currency,
			price: kit && priceCourse(listNeeds(kit), stock.offers, { money, hours, studentCount }),
		}
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	const { studio } = context.get(memberContext)
	const save = async () => {
		const input = await readBody(request, moneySchema)
		const stored = { money: toCourseMoney(input), version: input.version }
		await updateCourseMoney(studio.id, readId(params.courseId), stored)
		return { saved: true }
	}
	return changing(save, () => getCourseMoney(studio.id, readId(params.courseId)))
}

/** What a course costs and brings, and the fields that it is reckoned from. */
export default function KitCostPage({ loaderData }: Route.ComponentProps) {
	const { state, price } = loaderData
	const tell = (cents: number) => told(cents, loaderData.currency)
	return (
		<KitNotices state={state}>
			{price && (
				<div className="cost-page">
					<CostAnswer page={loaderData} price={price} tell={tell} />
					<MoneyForm page={loaderData} tell={tell} />
					<section className="sheet cost-lines" aria-labelledby="lines">
						<h2 id="lines">Materials, by what is used of them</h2>
						<CostLines lines={price.lines} units={loaderData.units} tell={tell} />
						<p className="soft small">
							At the cheapest price on the shelf for what is used; a whole pack may cost more.
						</p>
					</section>
				</div>
			)}
		</KitNotices>
	)
}

type CostPage = Route.ComponentProps['loaderData']
type Tell = (cents: number) => string

/** What is left over or missing, from how many students it pays, and what it is made of. */
function CostAnswer({
	page: { money, hours, studentCount },
	price,
	tell,
}: {
	page: CostPage
	price: NonNullable<CostPage['price']>
	tell: Tell
}) {
	return (
		<section className="sheet" aria-labelledby="answer">
			<h2 id="answer">{count(studentCount, 'student')}</h2>
			<p className="cost-answer">
				{money.priceCents === 0
					? `${tell(price.coveringPriceCents)} each covers it`
					: price.incomeCents >= price.totalCents
						? `${tell(price.incomeCents - price.totalCents)} over`
						: `${tell(price.totalCents - price.incomeCents)} short`}
			</p>
			{money.priceCents > 0 && (
				<p>
					{price.breakEvenStudents === undefined
						? 'No number of students covers it at this price: each costs more than she pays.'
						: `Even from ${count(price.breakEvenStudents, 'student')} at ${tell(money.priceCents)}; with ${studentCount}, ${tell(price.coveringPriceCents)} each would cover it.`}
				</p>
			)}
			<dl className="figures cost-figures">
				<dt>Materials of each kit</dt>
				<dd>{tell(price.perStudentCents)}</dd>
				<dt>All materials</dt>
				<dd>{tell(price.materialCents)}</dd>
				<dt>Your {duration(Math.round(hours * 60))}, in class and before</dt>
				<dd>{tell(price.payCents)}</dd>
				<dt>Room</dt>
				<dd>{tell(money.roomCents)}</dd>
				<dt>Other</dt>
				<dd>{tell(money.otherCents)}</dd>
				<dt>Together</dt>
				<dd>{tell(price.totalCents)}</dd>
			</dl>
			{price.withoutPrice.length > 0 && (
				<p className="alert">Too low by what has no price on the shelf: {price.withoutPrice.join(', ')}.</p>
			)}
		</section>
	)
}

/** What is asked of students, and what is paid. */
function MoneyForm({ page: { money, currency, version: read }, tell }: { page: CostPage; tell: Tell }) {
	const { version, setVersion, theirsOf } = useVersion<StoredMoney>(read)
	const { form, submit, clearProblems, isSaving, isSaved, refusal } = useSchemaForm<MoneyInput>({
		schema: moneySchema,
		toBody: (values) => ({ ...values, version }),
		onSaved: () => setVersion(version + 1),
	})
	const theirs = theirsOf({ refusal })
	const takeTheirs = () => {
		if (!theirs) return
		form.setFieldsValue(toFields(theirs.money))
		setVersion(theirs.version)
	}
	return (
		<section className="sheet cost-form" aria-labelledby="asked">
			<Form
				form={form}
				layout="vertical"
				requiredMark={false}
				initialValues={toFields(money)}
				onFinish={submit}
				onValuesChange={clearProblems}
			>
				<h2 id="asked">Asked and paid</h2>
				{theirs && (
					<StaleNotice
						message={refusal?.message ?? ''}
						theirs={moneyWords(theirs.money, tell)}
						onKeepMine={() => setVersion(theirs.version)}
						onTakeTheirs={takeTheirs}
					/>
				)}
				<MoneyField name="price" label="Price for each student" currency={currency} />
				<MoneyField name="room" label="Room, all sessions" currency={currency} />
				<MoneyField name="payPerHour" label="Your hour" currency={currency} />
				<MoneyField name="other" label="Anything else" currency={currency} />
				<div className="row">
					<Button type="primary" htmlType="submit" disabled={isSaving}>
						Reckon and keep
					</Button>
					{isSaved && <span role="status">Kept.</span>}
				</div>
			</Form>
		</section>
	)
}

function CostLines({ lines, units, tell }: { lines: readonly CostLine[]; units: UnitSystem; tell: Tell }) {
	return (
		<DataTable
			label="Materials and their cost"
			hasHead={false}
			rows={lines.toSorted((a, b) => (b.costCents ?? 0) - (a.costCents ?? 0))}
			keyOf={({ key }) => key}
			columns={[
				{
					name: 'What',
					isHead: true,
					cell: ({ name, kind }) => (
						<>
							{name} <span className="soft small">{STOCK_WORDS[kind]}</span>
						</>
					),
				},
				{ name: 'Used', isNumber: true, cell: ({ amount, unit }) => amountWords(amount, unit, units) },
				{ name: 'Cost', isNumber: true, cell: (line) => <LineCost line={line} units={units} tell={tell} /> },
			]}
		/>
	)
}

function LineCost({
	line: { amount, unit, costCents, pack },
	units,
	tell,
}: {
	line: CostLine
	units: UnitSystem
	tell: (cents: number) => string
}) {
	if (costCents === undefined || !pack) return 'no price'
	const reason = `${amountWords(amount, unit, units)} of the pack of ${amountWords(pack.amount, unit, units)} at ${tell(pack.priceCents)}, the cheapest for what it holds`
	return <Why reasons={[reason]}>{tell(costCents)}</Why>
}

function moneyWords(
	{ priceCents, roomCents, payCentsPerHour, otherCents }: CourseMoney,
	tell: (cents: number) => string,
): string[] {
	return [
		`Price for each student ${tell(priceCents)}`,
		`Room ${tell(roomCents)}`,
		`Your hour ${tell(payCentsPerHour)}`,
		`Anything else ${tell(otherCents)}`,
	]
}

function MoneyField({ name, label, currency }: { name: keyof MoneyInput; label: string; currency: string }) {
	return (
		<Form.Item name={name} label={label}>
			<DecimalInput precision={2} suffix={currency} />
		</Form.Item>
	)
}
