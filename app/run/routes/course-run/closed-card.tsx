import { Input, Segmented } from 'antd'
import { Link } from 'react-router'
import { NOTE_TOPICS, WAYS_BACK, type WayBackChoice } from '../../../../core/run/run-event'
import { minuteOfDayAt } from '../../../../core/time/zone'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { brokenWords, TOPIC_WORDS, tookWords, waitedWords, WAY_BACK_WORDS, wayBackWords } from '../../words/run'
import { clock, duration } from '../../../shared/words/times'
import { NotePhoto } from './note-photo'
import { TwoBenches } from './two-benches'

interface ClosedCardProps {
	page: RunPage
	run: Run
}

/** What was, once the session is closed: planned and real, what broke, who was away; and five lines to finish by hand. */
export function ClosedCard({ page, run }: ClosedCardProps) {
	const { state } = run
	const [broken, waited] = [brokenWords(state), waitedWords(state)]
	return (
		<section className="run-now run-closed" aria-label="What was">
			<h2>This session is closed</h2>
			<TwoBenches page={page} run={run} />
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
			{waited && <p>{waited}</p>}
			{state.taken.length > 0 && <p>{state.taken.map(({ reason }) => reason).join('. ')}.</p>}
			<Notes page={page} run={run} />
			<HomeLines page={page} run={run} />
			<AwayLines page={page} run={run} />
			<LinesByHand run={run} />
			<p>
				<Link to="/log">What it taught</Link>
				{page.session === page.sessionCount && (
					<>
						{' · '}
						<Link to={`/courses/${page.courseId}/told/${page.session}`}>Weigh back the paste, count the wires</Link>
					</>
				)}
			</p>
		</section>
	)
}

/** Who was away: how she comes level with the others, and her hand-out. */
function AwayLines({ page, run: { state, desk } }: ClosedCardProps) {
	const { students, courseId, session } = page
	const away = students.flatMap((name, place) => {
		return state.attendance.get(place)?.is === 'away' ? [{ name, place }] : []
	})
	if (away.length === 0) return null
	return (
		<ul className="run-away">
			{away.map(({ name, place }) => (
				<li key={place}>
					<span id={`away-${place}`}>{name} was away</span>
					<Segmented<WayBackChoice>
						aria-labelledby={`away-${place}`}
						options={WAYS_BACK.flatMap((is) => {
							return is === 'dried' && !page.makeUp ? [] : [{ value: is, label: WAY_BACK_WORDS[is] }]
						})}
						value={state.waysBack.get(place) ?? 'open'}
						onChange={(is) => desk.write({ type: 'way back', place, is })}
					/>
					<span className="soft">{wayBackWords(state.waysBack.get(place) ?? 'open', page)}</span>
					<a href={`/courses/${courseId}/papers/hand-out?session=${session}&missed=${session}&student=${place + 1}`}>
						Her hand-out
					</a>
				</li>
			))}
		</ul>
	)
}

function Notes({ page: { studioId, courseId, session, timeZone }, run: { state } }: ClosedCardProps) {
	if (state.notes.length === 0) return null
	return (
		<ul className="run-notes">
			{state.notes.map(({ when, text, photo }) => {
				const at = clock(Math.floor(minuteOfDayAt(when, timeZone)))
				return (
					<li key={`${when} ${text}`}>
						<span className="soft">{at}</span> {text}
						{photo !== undefined && (
							<NotePhoto
								studioId={studioId}
								address={`/courses/${courseId}/run/${session}`}
								id={photo}
								alt={text === '' ? `Photo taken at ${at}` : text}
							/>
						)}
					</li>
				)
			})}
		</ul>
	)
}

/** Who finishes what at home. */
function HomeLines({ page: { students, cards, courseId, session }, run: { state } }: ClosedCardProps) {
	if (state.takenHome.length === 0) return null
	return (
		<ul className="run-away">
			{state.takenHome.map(({ entry, place }) => (
				<li key={`${entry} ${place}`}>
					{students[place]} finishes “{cards[entry]?.title}” at home:{' '}
					<a href={`/courses/${courseId}/papers/hand-out?session=${session}&student=${place + 1}`}>her hand-out</a>
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
