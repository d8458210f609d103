import {
	sourcesOf,
	type BreakStory,
	type PlanStory,
	type SessionStory,
	type Tile,
} from '../../../../core/plan/tell/plan-story'
import { clock, duration, longDay, sessionName } from '../../../shared/words/times'
import { waitSpan } from '../../../drying/words/waits'
import { nameOfTask } from '../../words/tasks'

/** The same as the picture, as lists: one a session, numbered as the tiles are. */
export function PlanList({ story }: { story: PlanStory }) {
	const firstNumbers = story.sessions.map(
		(_, s) => 1 + story.sessions.slice(0, s).reduce((total, { tiles }) => total + tiles.length, 0),
	)
	return (
		<div className="plan-lists">
			{story.sessions.map((session, s) => (
				<SessionList key={s} session={session} story={story} index={s} firstNumber={firstNumbers[s] ?? 1} />
			))}
		</div>
	)
}

function SessionList({
	session,
	story,
	index,
	firstNumber,
}: {
	session: SessionStory
	story: PlanStory
	index: number
	firstNumber: number
}) {
	const { startMin, date } = session.session
	const dried = story.threads.filter(({ to, from }) => to.session === index && from.session !== index)
	const sources = sourcesOf(story)
	return (
		<section className="sheet" aria-label={sessionName(startMin, session.number)}>
			<h2>
				{sessionName(startMin, session.number)} <span className="soft">{longDay(date)}</span>
			</h2>
			<p className="soft">
				{duration(session.workMinutes)} of {duration(session.handsOnMinutes)} in work
				{session.waitingMinutes > 0 && `, ${duration(session.waitingMinutes)} waiting between steps`},{' '}
				{duration(session.spareMinutes)} to spare
			</p>
			{dried.length > 0 && (
				<p className="small">
					Must be dry by now:{' '}
					{dried
						.map(
							({ fromTaskId, stage, wait }) =>
								`${nameOfTask(sources.get(fromTaskId))} (${stage ?? 'dry'}, ${waitSpan(wait)})`,
						)
						.join('; ')}
					.
				</p>
			)}
			{session.tiles.length === 0 ? (
				<p className="soft">Nothing falls into this session.</p>
			) : (
				<ol>
					{linesOf(session).map((line, l) =>
						'tile' in line ? (
							<TileLine
								key={`${line.tile.taskId} ${line.tile.run}`}
								tile={line.tile}
								number={firstNumber + line.index}
							/>
						) : (
							<li key={`break ${l}`} className="is-break">
								<span className="plan-list-time">
									{clock(line.pause.startMin)}–{clock(line.pause.startMin + line.pause.minutes)}
								</span>
								<span>{breakWords(line.pause)}</span>
								<span className="plan-list-minutes">{line.pause.minutes} min</span>
							</li>
						),
					)}
				</ol>
			)}
		</section>
	)
}

/** Steps, and the breaks between them, in the order of the clock. */
function linesOf({ tiles, breaks }: SessionStory): ({ tile: Tile; index: number } | { pause: BreakStory })[] {
	const lines = [
		...tiles.map((tile, index) => ({ startMin: tile.startMin, line: { tile, index } })),
		...breaks.map((pause) => ({ startMin: pause.startMin, line: { pause } })),
	]
	return lines.toSorted((a, b) => a.startMin - b.startMin).map(({ line }) => line)
}

/** 'Break', and where it may move to. */
function breakWords({ earliestMin, latestMin }: BreakStory): string {
	return latestMin > earliestMin ? `Break, to begin from ${clock(earliestMin)} to ${clock(latestMin)}` : 'Break'
}

function TileLine({ tile, number }: { tile: Tile; number: number }) {
	const { source, startMin: from, endMin, run, runCount, pieceCount, isOver } = tile
	return (
		<li value={number} className={isOver ? 'is-over' : ''}>
			<span className="plan-list-time">
				{clock(from)}–{clock(endMin)}
			</span>
			<span>
				{source.type === 'demo' ? (
					<>
						<em>you show</em> {source.label}
					</>
				) : (
					<>
						<strong>{source.partName}</strong> {source.label}
						<span className="soft">
							{pieceCount > 1 && ` · ${pieceCount} pieces`}
							{runCount > 1 && ` · part ${run} of ${runCount}`}
							{source.halves && ` · change over at ${clock(from + source.halves.changeAfterMinutes)}`}
						</span>
					</>
				)}
				{isOver && <span className="plan-list-over"> ends after the close</span>}
			</span>
			<span className="plan-list-minutes">{endMin - from} min</span>
		</li>
	)
}
