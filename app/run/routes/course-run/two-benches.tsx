import { minuteOfDayAt } from '../../../../core/time/zone'
import type { EntryState } from '../../../../core/run/fold-run'
import { clock } from '../../../shared/words/times'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

interface Bar {
	id: string
	kind: EntryState['entry']['kind']
	title: string
	startMin: number
	endMin: number
	/** When it began was not pressed. */
	isInferred: boolean
}

const HALF_HOUR = 30

/** The session as it was planned, and below it on the same clock as it was; the list beneath says the same. */
export function TwoBenches({ page, run: { state } }: { page: RunPage; run: Run }) {
	const real = state.entries.flatMap((own) => realBar(own, page))
	if (real.length === 0) return null
	const planned = state.entries.map(({ entry: { id, kind, startMin, endMin } }): Bar => {
		return { id, kind, title: titleOf(page, id), startMin, endMin, isInferred: false }
	})
	const all = [...planned, ...real]
	const from = Math.floor(Math.min(...all.map(({ startMin }) => startMin)) / HALF_HOUR) * HALF_HOUR
	const to = Math.ceil(Math.max(...all.map(({ endMin }) => endMin)) / HALF_HOUR) * HALF_HOUR
	const at = (minute: number) => `${(100 * (minute - from)) / (to - from)}%`
	const hours = Array.from({ length: (to - from) / HALF_HOUR + 1 }, (_, k) => from + k * HALF_HOUR)
	return (
		<figure className="run-two" aria-label="Planned, and as it was, on one clock">
			<BenchRow label="planned" bars={planned} at={at} />
			<BenchRow label="as it was" bars={real} at={at} />
			<div className="run-two-hours soft small" aria-hidden="true">
				{hours.map((minute) => (
					<span key={minute} style={{ left: at(minute) }}>
						{clock(minute)}
					</span>
				))}
			</div>
		</figure>
	)
}

function BenchRow({ label, bars, at }: { label: string; bars: readonly Bar[]; at: (minute: number) => string }) {
	return (
		<div className="run-two-row">
			<span className="soft small">{label}</span>
			<ol>
				{bars.map(({ id, kind, title, startMin, endMin, isInferred }) => (
					<li
						key={id}
						className={`is-${kind} ${isInferred ? 'is-inferred' : ''}`}
						style={{ left: at(startMin), width: `calc(${at(endMin)} - ${at(startMin)})` }}
						title={`${title}: ${clock(startMin)} to ${clock(endMin)}`}
					>
						<span>{title}</span>
					</li>
				))}
			</ol>
		</div>
	)
}

/** @returns nothing of what was not begun, or never said to be over */
function realBar({ entry, begun, most }: EntryState, page: RunPage): Bar[] {
	if (!begun || !most || most.when <= begun.when) return []
	const minute = (when: number) => Math.round(minuteOfDayAt(when, page.timeZone))
	return [
		{
			...{ id: entry.id, kind: entry.kind, title: titleOf(page, entry.id) },
			...{ startMin: minute(begun.when), endMin: minute(most.when) },
			isInferred: begun.from !== undefined,
		},
	]
}

function titleOf({ cards }: RunPage, id: string): string {
	return cards[id]?.title ?? ''
}
