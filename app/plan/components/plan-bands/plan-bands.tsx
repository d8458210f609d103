/** The picture of a plan: sessions as bands, steps as tiles in them, drying as threads that hang to where it is needed. */
import { useId } from 'react'
import type { PlanStory, Thread } from '../../../../core/plan/tell/plan-story'
import { daysBetween } from '../../../../core/time/calendar'
import { clock, duration, gap, sessionName, shortDay } from '../../../shared/words/times'
import { explainWait, percentSure, waitSpan } from '../../../drying/words/waits'
import {
	BAND_HEIGHT,
	layOutBands,
	TILE_INSET,
	WIDTH,
	type PlacedBand,
	type PlacedThread,
	type PlacedTile,
} from './band-layout'
import { Textures } from './textures'
import './plan-bands.css'

interface PlanBandsProps {
	story: PlanStory
	/** Where a tile leads; tiles are plain where it is absent. */
	linkTo?: (taskId: string) => string
	selectedTaskId?: string | undefined
	/** Where the words of a thread lead. */
	threadLinks?: Readonly<Record<string, string>>
	/** Renders a link; handed in, so that the picture needs no router. */
	Link?: React.ComponentType<{ to: string; className: string; 'aria-label': string; children: React.ReactNode }>
}

/** @param story - of a plan that the checker accepts */
export function PlanBands({ story, linkTo, selectedTaskId, threadLinks = {}, Link }: PlanBandsProps) {
	const layout = layOutBands(story)
	const id = useId()
	return (
		<svg
			className="plan-bands"
			viewBox={`0 0 ${WIDTH} ${layout.height}`}
			role={linkTo ? 'group' : 'img'}
			aria-label="The plan as a picture; the same follows as a list"
		>
			<Textures id={id} />
			{layout.ticks.map(({ x, minute }) => (
				<g key={minute}>
					<text x={x} y={14} className="plan-tick" textAnchor="middle">
						{clock(minute)}
					</text>
					<line x1={x} x2={x} y1={22} y2={layout.height} className="plan-tick-line" />
				</g>
			))}
			{layout.bands.map((band, b) => (
				<BandGround key={b} band={band} next={layout.bands[b + 1]} textureId={id} story={story} />
			))}
			{layout.threads.map((placed, t) => (
				<ThreadLine key={t} placed={placed} id={`${id}-${t}`} />
			))}
			{layout.bands.flatMap(({ tiles, y }) =>
				tiles.map((placed) => {
					const shape = (
						<TileShape placed={placed} y={y} textureId={id} isSelected={placed.tile.taskId === selectedTaskId} />
					)
					const key = `${placed.tile.taskId} ${placed.tile.run}`
					if (!linkTo || !Link) return <g key={key}>{shape}</g>
					return (
						<Link key={key} to={linkTo(placed.tile.taskId)} className="plan-tile-link" aria-label={nameOf(placed)}>
							{shape}
						</Link>
					)
				}),
			)}
			{layout.threads.map((placed, t) => {
				const { wait, isSwapped } = placed.thread
				const to = isSwapped ? undefined : threadLinks[wait.key]
				const label = <ThreadLabel placed={placed} />
				return to && Link ? (
					<Link key={t} to={to} className="plan-thread-link" aria-label={`Why: ${threadWords(placed.thread)}`}>
						{label}
					</Link>
				) : (
					<g key={t}>{label}</g>
				)
			})}
		</svg>
	)
}

function nameOf({ tile, number }: PlacedTile): string {
	const what =
		tile.source.type === 'demo' ? `show ${tile.source.label}` : `${tile.source.partName}, ${tile.source.label}`
	return `${number}: ${what}, ${clock(tile.startMin)} to ${clock(tile.endMin)}`
}

function BandGround({
	band,
	next,
	textureId,
	story,
}: {
	band: PlacedBand
	next: PlacedBand | undefined
	textureId: string
	story: PlanStory
}) {
	const { session, y } = band
	const { startMin, date } = session.session
	const isShort = story.shortfall !== undefined && next === undefined
	return (
		<g>
			<text x={0} y={y + 28} className="plan-session">
				{sessionName(startMin, session.number)}
			</text>
			<text x={0} y={y + 47} className="plan-session-date">
				{shortDay(date)}, {clock(startMin)}
			</text>
			<rect x={band.x} y={y} width={band.width} height={BAND_HEIGHT} rx={12} className="plan-band" />
			{band.closed.map(({ x, width }) => (
				<rect
					key={x}
					x={x}
					y={y + TILE_INSET}
					width={width}
					height={BAND_HEIGHT - 2 * TILE_INSET}
					rx={4}
					fill={`url(#${textureId}-closed)`}
				/>
			))}
			<text x={WIDTH} y={y + 31} className={isShort ? 'plan-spare is-short' : 'plan-spare'} textAnchor="end">
				{duration(isShort ? (story.shortfall?.minutes ?? 0) : session.spareMinutes)}
			</text>
			<text x={WIDTH} y={y + 48} className={isShort ? 'plan-spare-word is-short' : 'plan-spare-word'} textAnchor="end">
				{isShort ? 'missing' : 'to spare'}
			</text>
			{band.gap && next && (
				<g>
					<rect x={138} y={band.gap.y + 8} width={688} height={band.gap.height - 16} fill={`url(#${textureId}-gap)`} />
					<text x={0} y={band.gap.y + band.gap.height / 2 + 4} className="plan-gap">
						{gap(daysBetween(date, next.session.session.date))}
					</text>
				</g>
			)}
		</g>
	)
}

function TileShape({
	placed,
	y,
	textureId,
	isSelected,
}: {
	placed: PlacedTile
	y: number
	textureId: string
	isSelected: boolean
}) {
	const { tile, number, x, width, lines } = placed
	const isDemo = tile.source.type === 'demo'
	const tint = tile.source.type === 'step' ? (tile.source.tint ?? 'none') : 'none'
	const top = y + TILE_INSET
	const height = BAND_HEIGHT - 2 * TILE_INSET
	const state = `${isDemo ? 'is-demo' : ''} ${tile.isOver ? 'is-over' : ''} ${isSelected ? 'is-selected' : ''}`
	return (
		<g className={`plan-tile tint-${tint} ${state}`}>
			<title>{nameOf(placed)}</title>
			<rect x={x + 0.75} y={top} width={Math.max(2, width - 1.5)} height={height} rx={6} className="plan-tile-body" />
			{!isDemo && width > 14 && (
				<rect x={x + 2} y={top + 2} width={6} height={height - 4} rx={2} fill={`url(#${textureId}-${tint})`} />
			)}
			{lines.length === 0 ? (
				<text
					x={x + width / 2 + (isDemo ? 0 : 2)}
					y={top + height / 2 + 4}
					className="plan-tile-number"
					textAnchor="middle"
				>
					{number}
				</text>
			) : (
				lines.map((line, l) => (
					<text
						key={l}
						x={x + (isDemo ? 7 : 13)}
						y={top + 19 + l * 17}
						className={l === 0 ? 'plan-tile-title' : l === 1 ? 'plan-tile-label' : 'plan-tile-minutes'}
					>
						{line}
					</text>
				))
			)}
		</g>
	)
}

function ThreadLine({ placed, id }: { placed: PlacedThread; id: string }) {
	const { thread, path, beads, fromY, toY, start, end } = placed
	const isRisky = thread.sure !== undefined && thread.sure < SAFE
	return (
		<g className={isRisky && !thread.isSwapped ? 'plan-thread is-risky' : 'plan-thread'}>
			<linearGradient id={id} gradientUnits="userSpaceOnUse" x1={0} x2={0} y1={fromY} y2={toY}>
				<stop offset="0" className="plan-wet" />
				<stop offset="1" className="plan-dry" />
			</linearGradient>
			<path d={path} stroke={`url(#${id})`} className={thread.isSwapped ? 'is-swapped' : ''} />
			{thread.isSwapped && (
				<>
					<rect x={start.x - 6} y={start.y + 1} width={12} height={9} className="plan-box" />
					<rect x={end.x - 6} y={end.y - 10} width={12} height={9} className="plan-box" />
				</>
			)}
			{!thread.isSwapped && (
				<>
					<circle cx={beads.even.x} cy={beads.even.y} r={5} className="plan-bead" />
					{beads.sure && <circle cx={beads.sure.x} cy={beads.sure.y} r={4.5} className="plan-bead is-open" />}
				</>
			)}
		</g>
	)
}

function ThreadLabel({ placed: { thread, label } }: { placed: PlacedThread }) {
	return (
		<text x={label.x} y={label.y} className="plan-thread-label" textAnchor={label.isAtEnd ? 'end' : 'start'}>
			<title>{[threadWords(thread), ...explainWait(thread.wait)].join('. ')}</title>
			{threadWords(thread)}
		</text>
	)
}

/** Below this a thread is drawn as one that may come too late. */
const SAFE = 0.8

/** 'hard, 6–11 h'. */
function threadWords({ isSwapped, stage, wait, sure }: Thread): string {
	if (isSwapped) return 'brought dry'
	const risk = sure !== undefined && sure < SAFE ? `, only ${percentSure(sure)} sure` : ''
	return `${stage ?? 'wait'}, ${waitSpan(wait)}${risk}`
}
