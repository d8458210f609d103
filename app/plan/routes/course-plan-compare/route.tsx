import { Button, Select } from 'antd'
import { Form, Link, useSearchParams } from 'react-router'
import { percentSure } from '../../../drying/words/waits'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { money } from '../../../shared/words/amounts'
import { count, duration, momentWords } from '../../../shared/words/times'
import { differenceWords } from '../../words/differences'
import { proofWords } from '../../words/proof'
import { Changing } from '../../../shared/may/changing'
import type { Route } from './+types/route'
import { CompareBands } from './compare-bands'
import { loadCompared, MOST_COMPARED, type Compared, type ComparedName } from './load-compared.server'
import '../../components/plan-bands/plan-bands.css'
import './course-plan-compare.css'

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const course = await courseOfPage(context, params)
		const asked = new URL(request.url).searchParams.getAll('with')
		return { ...(await loadCompared(context.get(memberContext).studio, course, asked)), most: MOST_COMPARED }
	})
}

const LETTERS = ['A', 'B', 'C']
/** Differences said before the rest is only counted. */
const MOST_DIFFERENCES = 8

/** Kept plans and those set aside, beside one another: benches on one clock, figures, and what is different. */
export default function ComparePage({ loaderData }: Route.ComponentProps) {
	const { compared, offered, courseId, currency, most } = loaderData
	const [, setSearch] = useSearchParams()
	return (
		<section className="stack plan-compare">
			<div className="row">
				<h2>Plans side by side</h2>
				<Link to={`/courses/${courseId}/plan`}>Back to the plan</Link>
			</div>
			{offered.length < 2 && (
				<p>
					There is only one plan of this course so far. Try something on the plan’s picture and set it aside: it will
					stand here beside the one that you have.
				</p>
			)}
			{offered.length > 1 && (
				<label className="compare-choose no-print">
					Beside one another, {most} at most
					<Select
						mode="multiple"
						maxCount={most}
						value={compared.map(({ id }) => id)}
						options={offered.map(({ id, name }) => ({ value: id, label: nameWords(name) }))}
						onChange={(ids: number[]) => setSearch(ids.map((id) => ['with', String(id)] as [string, string]))}
					/>
				</label>
			)}
			{compared.length > 0 && (
				<>
					<ScrollRegion label="Pictures of the plans">
						<CompareBands stories={compared.map(({ story }) => story)} letters={LETTERS} />
					</ScrollRegion>
					<FigureTable compared={compared} currency={currency} />
					<div className="compare-cards">
						{compared.map((plan, p) => (
							<PlanCard key={plan.id} plan={plan} letter={LETTERS[p] ?? ''} data={loaderData} isFirst={p === 0} />
						))}
					</div>
				</>
			)}
		</section>
	)
}

/** 'two evenings', or 'the one that stands'. */
function nameWords({ asideName, madeAt, stands }: ComparedName): string {
	if (stands) return 'The one that stands'
	return asideName ?? `As of ${momentWords(madeAt)}`
}

interface Row {
	what: string
	values: string[]
}

const minutes = (value: number | undefined) => (value === undefined ? '—' : duration(value))

/** What is read across: a line for each figure, a column for each plan. */
const FIGURES: { what: string; of: (plan: Compared, currency: string) => string }[] = [
	{ what: 'Sessions', of: ({ figures }) => String(figures.sessions) },
	{ what: 'Your time before', of: ({ figures }) => duration(figures.prepMinutes) },
	{ what: 'Teaching lost', of: ({ figures }) => String(figures.objective?.valueLost ?? 0) },
	{ what: 'Waiting about', of: ({ figures }) => minutes(figures.objective?.waiting) },
	{ what: 'Steps taken up again', of: ({ figures }) => String(figures.objective?.splits ?? 0) },
	{ what: 'Strain', of: ({ figures }) => String(figures.objective?.strain ?? '—') },
	{
		what: 'The least sure wait',
		of: ({ figures }) => (figures.leastSure === undefined ? '—' : `${percentSure(figures.leastSure)} sure`),
	},
	{ what: 'What the course costs', of: ({ figures }, currency) => money(figures.costCents, currency) },
	{ what: 'Settled by you', of: ({ figures }) => (figures.pins === 0 ? 'nothing' : count(figures.pins, 'thing')) },
]

function FigureTable({ compared, currency }: { compared: readonly Compared[]; currency: string }) {
	const rows: Row[] = FIGURES.map(({ what, of }) => ({ what, values: compared.map((plan) => of(plan, currency)) }))
	return (
		<DataTable<Row>
			label="The plans in figures"
			rows={rows}
			keyOf={({ what }) => what}
			columns={[
				{ name: 'what', head: 'What it comes to', cell: ({ what }) => what, isHead: true },
				...compared.map(({ id, name }, p) => ({
					name: String(id),
					head: `${LETTERS[p] ?? ''} · ${nameWords(name)}`,
					cell: ({ values }: Row) => (values[p] === values[0] ? values[p] : <b>{values[p]}</b>),
				})),
			]}
		/>
	)
}

function PlanCard({
	plan: { id, name, figures, differences },
	letter,
	data: { courseId, version },
	isFirst,
}: {
	plan: Compared
	letter: string
	data: { courseId: number; version: number }
	isFirst: boolean
}) {
	const rest = differences.length - MOST_DIFFERENCES
	return (
		<article className="sheet stack">
			<h3>
				{letter} · {nameWords(name)}
			</h3>
			<p className="soft small">{proofWords(figures)}</p>
			{!isFirst && (
				<ul className="small">
					{differences.length === 0 && <li>the same as A, step for step</li>}
					{differences.slice(0, MOST_DIFFERENCES).map((difference) => (
						<li key={differenceWords(difference)}>{differenceWords(difference)}</li>
					))}
					{rest > 0 && <li>and {rest} more</li>}
				</ul>
			)}
			{!name.stands && (
				<Changing>
					<Form method="post" action={`/courses/${courseId}/plan`} className="row no-print">
						<input type="hidden" name="version" value={version} />
						<input type="hidden" name="planId" value={id} />
						<Button type="primary" htmlType="submit" name="intent" value="bring-back">
							Take this one
						</Button>
						{name.asideName !== null && (
							<Button htmlType="submit" name="intent" value="forget-aside">
								Forget it
							</Button>
						)}
					</Form>
				</Changing>
			)}
		</article>
	)
}
