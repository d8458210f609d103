import { Input } from 'antd'
import { NOTE_TOPICS } from '../../../../core/run/run-event'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { brokenWords, TOPIC_WORDS, tookWords } from '../../words/run'
import { duration } from '../../../shared/words/times'

interface ClosedCardProps {
	page: RunPage
	run: Run
}

/** What was, once the session is closed: planned and real, what broke, who was away; and five lines to finish by hand. */
export function ClosedCard({ page, run }: ClosedCardProps) {
	const { state } = run
	const broken = brokenWords(state)
	return (
		<section className="run-now run-closed" aria-label="What was">
			<h2>This session is closed</h2>
			<ul className="run-log">
				{state.entries.map((own) => {
					const { id, startMin, endMin } = own.entry
					return (
						<li key={id}>
							<b>{page.cards[id]?.title}</b>
							<span>{tookWords(own) || 'was not done'}</span>
							<span className="soft">planned {duration(endMin - startMin)}</span>
						</li>
					)
				})}
			</ul>
			{broken && <p>{broken}</p>}
			{state.taken.length > 0 && <p>{state.taken.map(({ reason }) => reason).join('. ')}.</p>}
			{state.notes.length > 0 && <p>{state.notes.map(({ text }) => text).join(' · ')}</p>}
			<AwayLines page={page} run={run} />
			<LinesByHand run={run} />
		</section>
	)
}

/** Who was away: her hand-out, with the way back. */
function AwayLines({ page: { students, courseId, session }, run: { state } }: ClosedCardProps) {
	const away = students.flatMap((name, place) => {
		return state.attendance.get(place)?.is === 'away' ? [{ name, place }] : []
	})
	if (away.length === 0) return null
	return (
		<ul className="run-away">
			{away.map(({ name, place }) => (
				<li key={place}>
					{name} was away:{' '}
					<a href={`/courses/${courseId}/papers/hand-out?session=${session}&missed=${session}&student=${place + 1}`}>
						her hand-out with the way back
					</a>
				</li>
			))}
		</ul>
	)
}

/** Kept as they are left; whoever writes nothing has said nothing. */
function LinesByHand({ run: { desk, state } }: Pick<ClosedCardProps, 'run'>) {
	return (
		<div className="run-lines">
			<h3>To finish by hand</h3>
			{NOTE_TOPICS.map((about) => {
				const said = state.lines[about] ?? ''
				const keep = (text: string) => {
					if (text !== said) desk.write({ type: 'note', text, about })
				}
				return (
					<label key={about}>
						<span>{TOPIC_WORDS[about]}</span>
						<Input
							key={said}
							defaultValue={said}
							maxLength={2000}
							onBlur={({ target }) => keep(target.value.trim())}
							onPressEnter={({ currentTarget }) => currentTarget.blur()}
						/>
					</label>
				)
			})}
		</div>
	)
}
