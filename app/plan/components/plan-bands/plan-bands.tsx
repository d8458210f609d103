/** The picture of a plan: sessions as bands, steps as tiles in them, drying as threads that hang to where it is needed. */
import { useId } from 'react'
import type { PlanStory } from '../../../../core/plan/tell/plan-story'
import { clock } from '../../../shared/words/times'
import { BandGround, BandLegend } from './band-ground'
import { layOutBands, WIDE, WIDTH, type PlacedThread, type PlacedTile } from './band-layout'
import { aloneSession } from './chosen-session'
import { Textures } from './textures'
import { ThreadLabel, ThreadLine, threadWords } from './thread-shape'
import { nameOfTile, TileShape } from './tile-shape'
import './plan-bands.css'

export interface PlanLinks {
	/** Where a tile leads. */
	tile: (taskId: string) => string
	/** Where a session leads, from 0. */
	session: (index: number) => string
	/** Where the words of a thread lead, by the key of its wait. */
	threads: Readonly<Record<string, string>>
	/** Renders a link; handed in, so that the picture needs no router. */
	Link: React.ComponentType<{ to: string; className: string; 'aria-label': string; children: React.ReactNode }>
}

interface PlanBandsProps {
	story: PlanStory
	/** Absent: nothing can be chosen. */
	links?: PlanLinks
	selectedTaskId?: string | undefined
	/** Shown by itself, from 0. */
	chosenSession?: number | undefined
}

/** @param story - of a plan that the checker accepts */
export function PlanBands({ story: whole, links, selectedTaskId, chosenSession }: PlanBandsProps) {
	const isAlone = chosenSession !== undefined
	const { story, firstNumber } = isAlone ? aloneSession(whole, chosenSession) : { story: whole, firstNumber: 1 }
	const layout = layOutBands(story, isAlone ? WIDE : WIDTH, firstNumber)
	const id = useId()
	return (
		<svg
			className={isAlone ? 'plan-bands is-alone' : 'plan-bands'}
			viewBox={`0 0 ${layout.width} ${layout.height}`}
			role={links ? 'group' : 'img'}
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
				<BandGround
					key={b}
					band={band}
					next={layout.bands[b + 1]}
					pictureWidth={layout.width}
					textureId={id}
					missingMinutes={b === layout.bands.length - 1 ? story.shortfall?.minutes : undefined}
					link={links && { to: links.session(b), Link: links.Link }}
				/>
			))}
			{layout.threads.map((placed, t) => (
				<ThreadLine key={t} placed={placed} id={`${id}-${t}`} />
			))}
			{layout.bands.map((band, b) => (
				<BandLegend key={b} band={band} />
			))}
			{layout.bands.flatMap(({ tiles, y }) =>
				tiles.map((placed) => (
					<LinkedTile key={`${placed.tile.taskId} ${placed.tile.run}`} placed={placed} links={links}>
						<TileShape placed={placed} y={y} textureId={id} isSelected={placed.tile.taskId === selectedTaskId} />
					</LinkedTile>
				)),
			)}
			{layout.threads.map((placed, t) => (
				<LinkedLabel key={t} placed={placed} links={links} />
			))}
		</svg>
	)
}

function LinkedTile({
	placed,
	links,
	children,
}: {
	placed: PlacedTile
	links: PlanLinks | undefined
	children: React.ReactNode
}) {
	if (!links) return children
	const { Link, tile } = links
	return (
		<Link to={tile(placed.tile.taskId)} className="plan-tile-link" aria-label={nameOfTile(placed)}>
			{children}
		</Link>
	)
}

function LinkedLabel({ placed, links }: { placed: PlacedThread; links: PlanLinks | undefined }) {
	const { wait, isSwapped } = placed.thread
	const to = isSwapped ? undefined : links?.threads[wait.key]
	if (to === undefined || !links) return <ThreadLabel placed={placed} />
	const { Link } = links
	return (
		<Link to={to} className="plan-thread-link" aria-label={`Why: ${threadWords(placed.thread)}`}>
			<ThreadLabel placed={placed} />
		</Link>
	)
}
