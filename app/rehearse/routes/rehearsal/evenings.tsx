import type { CSSProperties } from 'react'
import type { ItemFigures, Quantiles, RehearsalFigures, SessionFigures } from '../../../../core/rehearse/rehearsal'
import { layEdges, whenDone, type SoftEdge } from '../../../../core/rehearse/soft-edges'
import { clock, longDay } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'
import { chanceWords, inTen } from '../../words/chances'

/** Each evening with its chance, when it really ends, and its steps with soft edges. */
export function Evenings({ figures, played }: { figures: RehearsalFigures; played: PlayedCourse }) {
	return (
		<ol className="rehearsal-evenings">
			{figures.sessions.map((session, s) => {
				const own = played.sessions[s]
				if (!own) return null
				const items = figures.items.filter((item) => item.session === s)
				const open = played.script.sessions[s]?.open ?? 0
				// Clock minutes of the plan on the wall of that day.
				const wall = (moment: number) => Math.round(moment - open + own.openMin)
				return (
					<li key={own.date + own.startMin} className="sheet">
						<EveningHead session={session} date={own.date} wall={wall} />
						<StepEdges items={items} close={session.close} names={played.names} wall={wall} open={open} />
					</li>
				)
			})}
		</ol>
	)
}

type ToWall = (moment: number) => number

function EveningHead({ session, date, wall }: { session: SessionFigures; date: string; wall: ToWall }) {
	const { onTime, allDone, end, plannedEnd, bufferMinutes } = session
	return (
		<div className="evening-head">
			<h2>{longDay(date)}</h2>
			<p className="evening-chance">
				<strong>{inTen(onTime.share)}</strong> on time
				<span className="chance-bar" aria-hidden>
					<span style={{ width: `${100 * onTime.share}%` }} />
				</span>
			</p>
			<p className="soft small">
				{chanceWords(onTime)}; all done: {Math.round(100 * allDone.share)} %.
			</p>
			{plannedEnd !== undefined && (
				<p>
					Planned to be done at {clock(wall(plannedEnd))}; half are by <b>{clock(wall(end.p50))}</b>, nine in ten by{' '}
					<b>{clock(wall(end.p90))}</b>
					{bufferMinutes > 0 && <span className="soft">: {bufferMinutes} min to spare would make nine in ten</span>}.
				</p>
			)}
		</div>
	)
}

interface StepEdgesProps {
	items: readonly ItemFigures[]
	open: number
	close: number
	names: Readonly<Record<string, string>>
	wall: ToWall
}

/** The plan's bench with soft edges: as planned, and from when to when most are really done. */
function StepEdges({ items, open, close, names, wall }: StepEdgesProps) {
	const picture = layEdges(items, { open, close })
	return (
		<ol className="step-edges" style={{ '--close': percent(picture.close) } as CSSProperties}>
			{items.map(({ taskId, plannedStart, end }, i) => (
				<li key={`${taskId} ${plannedStart}`}>
					<span className="step-name">{names[taskId] ?? taskId}</span>
					<span className="step-track" aria-hidden style={edgeStyle(picture.edges[i]!)}>
						<span className="step-planned" />
						<span className="step-soft" />
					</span>
					<span className="step-times">{edgeWords(end, close, wall)}</span>
				</li>
			))}
		</ol>
	)
}

function edgeStyle({ plannedStart, plannedEnd, firmUntil, softUntil }: SoftEdge): CSSProperties {
	return {
		'--start': percent(plannedStart),
		'--end': percent(plannedEnd),
		'--firm': percent(firmUntil),
		'--soft': percent(softUntil),
	} as CSSProperties
}

function percent(share: number): string {
	return `${(100 * share).toFixed(1)}%`
}

/** From when to when most are done; what comes after the close comes another day. */
function edgeWords(end: Quantiles, close: number, wall: ToWall): string {
	switch (whenDone(end, close)) {
		case 'another time':
			return 'mostly another time'
		case 'perhaps later':
			return `${clock(wall(end.p10))}, or another time`
		case 'this evening':
			return `${clock(wall(end.p10))} to ${clock(wall(end.p90))}`
	}
}
