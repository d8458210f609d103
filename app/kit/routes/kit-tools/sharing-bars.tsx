import type { ToolLine } from '../../../../core/kit/tool-needs'

/** Waiting by how many of a tool there are, the number owned marked. */
export function SharingBars({ line: { curve, ownedCount, tool } }: { line: ToolLine }) {
	const most = Math.max(1, ...curve.map(({ queueingMinutes }) => queueingMinutes))
	return (
		<ol className="sharing-bars" aria-label={`Waiting by how many of the tool there are: ${tool}`}>
			{curve.map(({ ownedCount: n, queueingMinutes }) => (
				<li key={n} className={n === ownedCount ? 'is-owned' : ''}>
					<span className="sharing-value">{Math.round(queueingMinutes)} min</span>
					<span className="sharing-bar" style={{ height: `${Math.max(2, (110 * queueingMinutes) / most)}px` }} />
					<span className="sharing-count">
						{n}
						{n === ownedCount && <span className="soft small"> yours</span>}
					</span>
				</li>
			))}
		</ol>
	)
}
