import { Button } from 'antd'
import { Form, Link, useSearchParams, useSubmit } from 'react-router'
import { forgetPerson } from '../../../../db/repositories/students.server'
import { PageLinks } from '../../../shared/components/page-links'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import type { DataColumn } from '../../../shared/components/data-table/data-column'
import { PlainText } from '../../../shared/components/fields/plain-fields'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { asRefusal } from '../../../shared/http/refusal'
import { PlainTable } from '../../../shared/native/plain-table'
import { readPage } from '../../../shared/schemas/page'
import { count, farDay } from '../../../shared/words/times'
import { listKnownPeople, type KnownPerson } from '../../known-people.server'
import { knownPeopleActions } from '../../schemas/known-people'
import type { Route } from './+types/route'
import './known-people.css'

const PAGE_SIZE = 50

export function meta() {
	return [{ title: 'Who comes to class · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { searchParams } = new URL(request.url)
		const [page, search] = [readPage(searchParams), (searchParams.get('q') ?? '').trim().toLowerCase()]
		const all = await listKnownPeople(studio)
		const found = all.filter(({ person }) => person.includes(search))
		return {
			...{ page, pageCount: Math.max(1, Math.ceil(found.length / PAGE_SIZE)), known: all.length, found: found.length },
			people: found.slice((page - 1) * PAGE_SIZE, page * PAGE_SIZE),
			months: studio.peopleMonths,
		}
	})
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { person } = await readIntent(request, knownPeopleActions)
		await forgetPerson(context.get(memberContext).studio.id, person)
		return { told: 'Forgotten: nothing is known of her any more.' }
	})
}

/** Everybody on the lists of all courses, what is known of each, and a press that forgets her. */
export default function KnownPeople({ loaderData, actionData }: Route.ComponentProps) {
	const { people, page, pageCount, known, found, months } = loaderData
	const [search] = useSearchParams()
	const refusal = asRefusal(actionData)
	return (
		<>
			<div className="page-head">
				<h1>Who comes to class</h1>
				<p className="soft">
					{count(known, 'person', 'people')} on the lists of your courses.{' '}
					{months > 0
						? `What is known of them goes by itself ${count(months, 'month')} after their last course.`
						: 'What is known of them stays until you forget it.'}{' '}
					<Link to="/studio">The studio</Link>
				</p>
			</div>
			<div className="stack">
				{refusal && (
					<p className="alert" role="alert">
						{refusal.message}
					</p>
				)}
				{actionData && 'told' in actionData && (
					<p className="told" role="status">
						{actionData.told}
					</p>
				)}
				{known > 0 && (
					<Form method="get" className="row known-search" role="search" aria-label="Find somebody">
						<PlainText name="q" label="Name" defaultValue={search.get('q') ?? ''} />
						<Button htmlType="submit">Find</Button>
						{search.get('q') && <Link to="/people/known">Show everybody</Link>}
					</Form>
				)}
				<section className="sheet" aria-label="Their list">
					{people.length > 0 ? (
						<PlainTable label="Who is known" columns={COLUMNS} rows={people} keyOf={({ person }) => person} />
					) : (
						<p>{known === 0 ? 'Nobody is on a list yet.' : `Nobody is called “${search.get('q') ?? ''}”.`}</p>
					)}
					<PageLinks page={page} pageCount={pageCount} />
					{found > 0 && (
						<p className="soft known-note">
							Not looked through: what a class’s own notes say of somebody in words, and papers that were printed.
						</p>
					)}
				</section>
			</div>
		</>
	)
}

const COLUMNS: DataColumn<KnownPerson>[] = [
	{ name: 'Name', isHead: true, cell: ({ name }) => name },
	{
		name: 'Courses',
		cell: ({ courses }) =>
			courses.map(({ id, name }) => (
				<Link key={id} to={`/courses/${id}/kits/people`} className="known-course">
					{name}
				</Link>
			)),
	},
	{
		name: 'What is known',
		cell: ({ needs, pace }) => [...needs, ...(pace ? [pace] : [])].join('; ') || 'her name alone',
	},
	{ name: 'Until', cell: ({ until }) => (until ? farDay(until) : 'you forget it') },
	{ name: 'forget', head: <span className="hidden-words">Forget</span>, cell: (person) => <Forget {...person} /> },
]

function Forget({ person, name, courses }: KnownPerson) {
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const lists = courses.length === 1 ? 'one list' : `${courses.length} lists`
	return (
		<Button
			type="link"
			size="small"
			aria-label={`Forget ${name}`}
			onClick={() =>
				ask({
					title: `Forget ${name}?`,
					content: `She is taken off ${lists}, and what is known of her is deleted for good. In a course to come those after her move up one place.`,
					doIt: 'Forget her',
					keep: 'Keep',
					onDo: () => void submit({ intent: 'forget', person }, { method: 'post' }),
				})
			}
		>
			Forget
		</Button>
	)
}
