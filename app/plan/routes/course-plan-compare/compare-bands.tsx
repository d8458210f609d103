import { useId } from 'react'
import type { PlanStory } from '../../../../core/plan/tell/plan-story'
import { clock, sessionName, shortDay } from '../../../shared/words/times'
import { Textures } from '../../components/plan-bands/textures'
import { layOutCompared, ROW_HEIGHT, WIDTH, type ComparedTile } from './compare-layout'

/** The sessions of the plans above one another; what lies elsewhere than in the first has a heavy edge. */
export function CompareBands({ stories, letters }: { stories: readonly PlanStory[]; letters: readonly string[] }) {
	const { height, ticks, sessions } = layOutCompared(stories)
	const id = useId()
	return (
		<svg
			className="plan-bands compare-bands"
			viewBox={`0 0 ${WIDTH} ${height}`}
			role="img"
			aria-label="The plans as pictures; what is different follows in words"
		>
			<Textures id={id} />
			{ticks.map(({ x, minute }) => (
				<g key={minute}>
					<text x={x} y={13} className="plan-tick" textAnchor="middle">
						{clock(minute)}
					</text>
					<line x1={x} x2={x} y1={20} y2={height} className="plan-tick-line" />
				</g>
			))}
			{sessions.map(({ number, y, date, startMin, rows }) => (
				<g key={number}>
					<text x={0} y={y + 20} className="plan-session">
						{sessionName(startMin, number)}
						<tspan className="plan-session-date" dx={10}>
							{shortDay(date)}
						</tspan>
					</text>
					{rows.map((row) => (
						<g key={row.plan}>
							<text x={160} y={row.y + ROW_HEIGHT / 2 + 6} className="compare-letter" textAnchor="end">
								{letters[row.plan]}
							</text>
							<rect x={row.x} y={row.y} width={row.width} height={ROW_HEIGHT} rx={8} className="plan-band" />
							{row.breaks.map((pause) => (
								<rect
									key={pause.x}
									x={pause.x}
									y={row.y + 3}
									width={pause.width}
									height={ROW_HEIGHT - 6}
									rx={6}
									className="plan-break-body"
								/>
							))}
							{row.tiles.map((placed) => (
								<SmallTile key={`${placed.tile.taskId} ${placed.tile.run}`} placed={placed} y={row.y} textureId={id} />
							))}
						</g>
					))}
				</g>
			))}
		</svg>
	)
}

function SmallTile({
	placed: { tile, x, width, words, isOther },
	y,
	textureId,
}: {
	placed: ComparedTile
	y: number
	textureId: string
}) {
	const { source } = tile
	const isDemo = source.type === 'demo'
	const tint = source.type === 'step' ? (source.tint ?? 'none') : 'none'
	const name = isDemo ? `show ${source.label}` : `${source.partName}, ${source.label}`
	return (
		<g className={`plan-tile tint-${tint} ${isDemo ? 'is-demo' : ''} ${isOther ? 'is-other' : ''}`}>
			<title>{`${name}, ${clock(tile.startMin)} to ${clock(tile.endMin)}`}</title>
			<rect
				x={x + 0.75}
				y={y + 3}
				width={Math.max(2, width - 1.5)}
				height={ROW_HEIGHT - 6}
				rx={5}
				className="plan-tile-body"
			/>
			{!isDemo && width > 14 && (
				<rect x={x + 2} y={y + 5} width={5} height={ROW_HEIGHT - 10} rx={2} fill={`url(#${textureId}-${tint})`} />
			)}
			<text x={x + 10} y={y + ROW_HEIGHT / 2 + 5} className="plan-tile-label">
				{words}
			</text>
		</g>
	)
}
