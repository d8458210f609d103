import type { CSSProperties } from 'react'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

/** The session's plan as one bench, what is done pale, and where the clock stands. */
export function RunBench({ page: { cards }, run: { state, nowMin } }: { page: RunPage; run: Run }) {
	const { openMin, closeMin } = state.plan
	const at = (minute: number) => `${Math.max(0, Math.min(100, (100 * (minute - openMin)) / (closeMin - openMin)))}%`
	return (
		<ol className="run-bench" aria-label="The plan of this session" style={{ '--now': at(nowMin) } as CSSProperties}>
			{state.entries.map(({ entry, status }) => (
				<li
					key={entry.id}
					className={`is-${entry.kind} is-${status.replace(' ', '-')}`}
					style={{ left: at(entry.startMin), width: `calc(${at(entry.endMin)} - ${at(entry.startMin)})` }}
				>
					<span>{cards[entry.id]?.title}</span>
					<span className="hidden-words">: {status}</span>
				</li>
			))}
		</ol>
	)
}
