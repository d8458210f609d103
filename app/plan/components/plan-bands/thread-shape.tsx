import type { Thread } from '../../../../core/plan/tell/threads'
import { explainWait, percentSure, waitSpan } from '../../../drying/words/waits'
import { wait } from '../../../shared/words/times'
import type { PlacedThread } from './band-layout'

/** Below this a thread is drawn as one that may come too late. */
const SAFE = 0.8

/** A drying piece, from the step that ends to the one that needs it: wet, then dry; cut where a dried one is brought. */
export function ThreadLine({ placed, id }: { placed: PlacedThread; id: string }) {
	const { thread, path, beads, fromY, toY, start, end } = placed
	return (
		<g className={isRisky(thread) ? 'plan-thread is-risky' : 'plan-thread'}>
			<linearGradient id={id} gradientUnits="userSpaceOnUse" x1={0} x2={0} y1={fromY} y2={toY}>
				<stop offset="0" className="plan-wet" />
				<stop offset="1" className="plan-dry" />
			</linearGradient>
			<path d={path} stroke={`url(#${id})`} className={thread.isSwapped ? 'is-swapped' : ''} />
			{thread.isSwapped ? (
				<>
					<rect x={start.x - 6} y={start.y + 1} width={12} height={9} className="plan-box" />
					<rect x={end.x - 6} y={end.y - 10} width={12} height={9} className="plan-box" />
				</>
			) : (
				<>
					<circle cx={beads.even.x} cy={beads.even.y} r={5} className="plan-bead" />
					{beads.sure && <circle cx={beads.sure.x} cy={beads.sure.y} r={4.5} className="plan-bead is-open" />}
				</>
			)}
		</g>
	)
}

/** What a thread says beside itself. */
export function ThreadLabel({ placed: { thread, label } }: { placed: PlacedThread }) {
	return (
		<text x={label.x} y={label.y} className="plan-thread-label" textAnchor={label.isAtEnd ? 'end' : 'start'}>
			<title>{[threadWords(thread), ...slackWords(thread), ...explainWait(thread.wait)].join('. ')}</title>
			{threadWords(thread)}
		</text>
	)
}

/** 'hard, 6–11 h'; with its chance where it is risky. */
export function threadWords(thread: Thread): string {
	const { isSwapped, stage, wait, sure = 1 } = thread
	if (isSwapped) return 'brought dry'
	return `${stage ?? 'wait'}, ${waitSpan(wait)}${isRisky(thread) ? `, only ${percentSure(sure)} sure` : ''}`
}

/** '6 days to spare after 9 in 10 are ready'; nothing where that is not known. */
function slackWords({ isSwapped, wait: source, least }: Thread): string[] {
	const { p90Minutes } = source
	if (isSwapped || p90Minutes === undefined || least.minutes <= p90Minutes) return []
	return [`${wait(Math.round(least.minutes - p90Minutes))} to spare after 9 in 10 are ready`]
}

function isRisky({ isSwapped, sure }: Thread): boolean {
	return !isSwapped && sure !== undefined && sure < SAFE
}
