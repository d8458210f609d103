import { Link } from 'react-router'
import { wallMomentAt } from '../../../../core/time/zone'
import { listChanges } from '../../../../db/repositories/changes.server'
import { listPeople } from '../../../../db/repositories/people.server'
import { PageLinks } from '../../../shared/components/page-links'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { PlainTable } from '../../../shared/native/plain-table'
import { readPage } from '../../../shared/schemas/page'
import { momentWords } from '../../../shared/words/times'
import { changeWords } from '../../change-words'
import type { Route } from './+types/route'

const PAGE_SIZE = 50

export function meta() {
	return [{ title: 'Changes · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const page = readPage(new URL(request.url).searchParams)
		const [{ changes, count }, people] = await Promise.all([
			listChanges(studio.id, { page, size: PAGE_SIZE }),
			listPeople(studio.id),
		])
		const names = new Map(people.map(({ userId, name }) => [userId, name]))
		return {
			...{ page, pageCount: Math.max(1, Math.ceil(count / PAGE_SIZE)) },
			changes: changes.map(({ id, userId, path, intent, at }) => ({
				// Whoever is gone has no name here any more.
				...{ who: names.get(userId) ?? `somebody who is gone (${userId})`, path, id },
				...{ what: changeWords({ path, intent }), at: wallMomentAt(at.getTime(), studio.timeZone) },
			})),
		}
	})
}

type Line = Route.ComponentProps['loaderData']['changes'][number]

const COLUMNS = [
	{ name: 'When', cell: ({ at }: Line) => momentWords(at) },
	{ name: 'Who', cell: ({ who }: Line) => who },
	{ name: 'What', cell: ({ what }: Line) => what },
	{ name: 'Where', cell: ({ path }: Line) => <span className="soft">{path}</span> },
]

/** Who has changed what, the newest first. */
export default function Changes({ loaderData: { changes, page, pageCount } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>Changes</h1>
				<p className="soft">
					Who has changed what kind of thing, for 400 days; presses in class and ticks are kept with their class.{' '}
					<Link to="/people">The people</Link>
				</p>
			</div>
			<section className="sheet" aria-label="Changes">
				{changes.length === 0 ? (
					<p>Nothing was changed yet.</p>
				) : (
					<PlainTable label="Changes, the newest first" columns={COLUMNS} rows={changes} keyOf={({ id }) => id} />
				)}
				<PageLinks page={page} pageCount={pageCount} />
			</section>
		</>
	)
}
