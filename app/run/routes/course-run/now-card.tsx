import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { FigureView } from '../../../shared/figure/figure-view'
import { minutesWords } from '../../words/run'
import { ClosedCard } from './closed-card'

/** What is going on: its picture, its sentence, what to have out, what to mind; and what comes next. */
export function NowCard({ page, run }: { page: RunPage; run: Run }) {
	const { state } = run
	if (state.closed !== undefined) return <ClosedCard page={page} run={run} />
	const current = state.entries[state.current]
	const next = state.entries[state.current + 1]
	const card = current && page.cards[current.entry.id]
	if (!current || !card)
		return (
			<section className="run-now">
				<h2>All steps are done</h2>
				<p>Box, clear away, and close the session.</p>
			</section>
		)
	const { gone, of } = minutesWords(current, state, run.now)
	return (
		<section className="run-now" aria-label="Now">
			{card.figure && <FigureView figure={card.figure} size={170} className="run-figure" />}
			<div>
				<p className="run-over">{state.opened === undefined ? 'First' : card.over}</p>
				<h2>{card.title}</h2>
				<p className="run-sentence">{card.sentence}</p>
				{card.cautions.map((caution) => (
					<p key={caution} className="run-caution">
						{caution}
					</p>
				))}
				<p className="run-minutes">
					{state.opened !== undefined && <strong>{gone}</strong>} {of}
					{card.out.length > 0 && <span className="soft"> · out: {card.out.join(', ')}</span>}
				</p>
				{next && (
					<p className="soft">
						Then: {page.cards[next.entry.id]?.title}
						{page.cards[next.entry.id]?.out.length ? `; have out ${page.cards[next.entry.id]?.out.join(', ')}` : ''}
					</p>
				)}
			</div>
		</section>
	)
}
