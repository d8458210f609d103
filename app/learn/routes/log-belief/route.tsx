/** What is believed of one technique or step, and how it came out from class to class. */
import { lazy, Suspense } from 'react'
import { Link } from 'react-router'
import { NotFoundError } from '../../../../core/errors'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { useHydrated } from '../../../shared/components/use-hydrated'
import type { DataColumn } from '../../../shared/components/data-table/data-column'
import { PlainTable } from '../../../shared/native/plain-table'
import { longDay } from '../../../shared/words/times'
import { loadBelief, type BeliefAddress, type BeliefOccasion } from '../../load-belief.server'
import '../../components/log.css'
import { beliefWords, realWords, spanWords } from '../../words/log'
import type { Route } from './+types/route'

const RatioChart = lazy(() => import('../../components/ratio-chart'))

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.name ?? 'The log'} · Calycine` }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(() => loadBelief(context.get(memberContext).studio, readAddress(new URL(request.url).searchParams)))
}

/** @throws {NotFoundError} it names neither */
function readAddress(search: URLSearchParams): BeliefAddress {
	for (const kind of ['technique', 'step'] as const) {
		const key = search.get(kind)
		if (key !== null && key !== '') return { kind, key }
	}
	throw new NotFoundError('There is no such page.')
}

const COLUMNS: DataColumn<BeliefOccasion>[] = [
	{ name: 'day', head: 'Day', isHead: true, cell: ({ date }) => `${longDay(date)} ${date.slice(0, 4)}` },
	{ name: 'class', head: 'Class', cell: ({ className }) => className },
	{ name: 'step', head: 'Step', cell: ({ stepName }) => stepName },
	{ name: 'stated', head: 'Stated', isNumber: true, cell: ({ stated }) => `${Math.round(stated)} min` },
	{ name: 'foretold', head: 'Foretold', isNumber: true, cell: (own) => spanWords(own) },
	{ name: 'real', head: 'Real', isNumber: true, cell: (own) => realWords(own) },
]

export default function BeliefPage({ loaderData }: Route.ComponentProps) {
	const { kind, name, technique, steps, occasions } = loaderData
	const isAlive = useHydrated()
	const columns = kind === 'step' ? COLUMNS.filter((column) => column.name !== 'step') : COLUMNS
	return (
		<>
			<div className="page-head">
				<h1>{name.charAt(0).toUpperCase() + name.slice(1)}</h1>
				<p className="soft">
					<Link to="/log">The log</Link>
					{technique && (
						<>
							{' '}
							· technique:{' '}
							<Link to={`/log/belief?technique=${encodeURIComponent(technique.key)}`}>{technique.name}</Link>
						</>
					)}
				</p>
			</div>
			<div className="stack">
				<section className="sheet stack" aria-label="What is believed">
					<p className="log-answer">{beliefWords(loaderData)}</p>
					<p className="soft small">Dots are classes; between the lines nine in ten were foretold to lie.</p>
					<div className="log-chart">
						{isAlive && (
							<Suspense fallback={null}>
								<RatioChart
									classes={occasions.map((own) => toDots(own))}
									across="class after class"
									up="real against stated"
								/>
							</Suspense>
						)}
					</div>
				</section>
				{steps.length > 1 && (
					<section className="sheet stack" aria-labelledby="belief-steps">
						<h2 id="belief-steps">Its steps</h2>
						<ul className="log-advice">
							{steps.map((own) => (
								<li key={own.key}>
									<Link to={`/log/belief?step=${encodeURIComponent(own.key)}`}>{own.name}</Link>{' '}
									<span className="soft">{beliefWords(own)}</span>
								</li>
							))}
						</ul>
					</section>
				)}
				<section className="sheet stack" aria-labelledby="belief-classes">
					<h2 id="belief-classes">From class to class</h2>
					<PlainTable label="Classes" columns={columns} rows={occasions} keyOf={({ id }) => id} />
				</section>
			</div>
		</>
	)
}

/** Of what is known to the minute, against what is stated. */
function toDots({ from, to, stated, ninety }: BeliefOccasion) {
	if (to === null || from !== to) return []
	return [{ real: to / stated, from: ninety[0] / stated, to: ninety[1] / stated }]
}
