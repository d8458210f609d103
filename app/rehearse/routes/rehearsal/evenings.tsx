import { Button } from 'antd'
import type { CSSProperties, ReactNode } from 'react'
import { bufferOffer } from '../../../../core/rehearse/buffer-offer'
import type { ItemFigures, Quantiles, RehearsalFigures, SessionFigures } from '../../../../core/rehearse/rehearsal'
import { layEdges, whenDone, type SoftEdge } from '../../../../core/rehearse/soft-edges'
import { clock, duration, longDay } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'
import type { Taking } from './use-taking'
import { chanceWords, inTen } from '../../../shared/words/chances'

/** Each evening with its chance, when it really ends, and its steps with soft edges. */
interface EveningsProps {
	figures: RehearsalFigures
	played: PlayedCourse
	taking: Taking
}

export function Evenings({ figures, played, taking }: EveningsProps) {
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
						<EveningHead session={session} date={own.date} wall={wall}>
							<BufferPress session={session} number={s + 1} open={open} wanted={own.wantedBuffer} taking={taking} />
						</EveningHead>
						<StepEdges items={items} close={session.close} names={played.names.tasks} wall={wall} open={open} />
					</li>
				)
			})}
		</ol>
	)
}

type ToWall = (moment: number) => number

interface EveningHeadProps {
	session: SessionFigures
	date: string
	wall: ToWall
	children: ReactNode
}

function EveningHead({ session, date, wall, children }: EveningHeadProps) {
	const { onTime, allDone, end, plannedEnd } = session
	return (
		<div className="evening-head">
			<h2>{longDay(date)}</h2>
			<p className="evening-chance">
				<span>
					<strong>{inTen(onTime.share)}</strong> on time
				</span>
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
					<b>{clock(wall(end.p90))}</b>.
				</p>
			)}
			{children}
		</div>
	)
}

interface BufferPressProps {
	session: SessionFigures
	/** From 1. */
	number: number
	open: number
	/** That the plan was asked for. */
	wanted: number
	taking: Taking
}

/** What would have to be spare, so that nine in ten are on time, and a press that plans so. */
function BufferPress({ session, number, open, wanted, taking }: BufferPressProps) {
	const { bufferMinutes } = session
	const words = `${duration(bufferMinutes)} to spare at the end`
	switch (bufferOffer(session, open, wanted)) {
		case 'there':
			return null
		case 'too much':
			return <p className="soft">{words} would make nine in ten: more than half of the evening.</p>
		case 'wanted':
			return <p className="soft">{words} would make nine in ten: it is planned so, as far as it goes.</p>
		case 'offered':
			return (
				<p className="row">
					<span>{words} would make nine in ten.</span>
					<Button
						size="small"
						disabled={taking.isBusy}
						onClick={() =>
							taking.take(words, { intent: 'set-buffer', session: String(number), minutes: String(bufferMinutes) })
						}
					>
						Plan so
					</Button>
				</p>
			)
	}
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
