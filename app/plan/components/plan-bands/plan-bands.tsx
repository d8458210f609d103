/** The picture of a plan: sessions as bands, steps as tiles in them, drying as threads that hang to where it is needed. */
import { useId, useMemo, useRef } from 'react'
import { worksOfTask, type TaskSource } from '../../../../core/plan/compile/compiled-course'
import { sourcesOf, type PlanStory } from '../../../../core/plan/tell/plan-story'
import { clock, sessionName, shortDay } from '../../../shared/words/times'
import { BandGround, BandLegend } from './band-ground'
import { layOutBands, WIDE, WIDTH, type BandLayout, type PlacedThread, type PlacedTile } from './band-layout'
import { aloneSession } from './chosen-session'
import { BenchHands, type LayDown } from './hands/bench-hands'
import { HeldPiece, type HandleProps } from './hands/held-piece'
import { GhostShape, listGhosts } from './ghosts'
import { ShelfGround, ShelfPiece, ShelfThread } from './shelf-shape'
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
	Link: React.ComponentType<PlanLinkProps>
}

export interface PlanLinkProps extends Partial<HandleProps> {
	to: string
	className: string
	'aria-label': string
	children: React.ReactNode
}

interface PlanBandsProps {
	story: PlanStory
	/** Absent: nothing can be chosen. */
	links?: PlanLinks
	selectedTaskId?: string | undefined
	/** Shown by itself, from 0. */
	chosenSession?: number | undefined
	/** How much wider the clock is than where all of it is seen. */
	zoom?: number
	/** Steps of which something is settled. */
	pinnedTaskIds?: ReadonlySet<string>
	/** As it was before: where steps came from is shown pale. */
	before?: PlanStory | undefined
	/** Absent: nothing can be taken up. Sessions as the course has them, from 0. */
	onLay?: LayDown | undefined
}

const NONE: ReadonlySet<string> = new Set()

/** @param story - of a plan that the checker accepts */
export function PlanBands(props: PlanBandsProps) {
	const { story: whole, chosenSession, zoom = 1, before, onLay } = props
	const isAlone = chosenSession !== undefined
	const { story, firstNumber } = useMemo(
		() => (isAlone ? aloneSession(whole, chosenSession) : { story: whole, firstNumber: 1 }),
		[whole, chosenSession, isAlone],
	)
	const layout = useMemo(
		() => layOutBands(story, { width: (isAlone ? WIDE : WIDTH) * zoom, firstNumber, hasShelf: !isAlone }),
		[story, isAlone, zoom, firstNumber],
	)
	const earlier = useMemo(() => {
		if (!before) return []
		return listGhosts(story, isAlone ? aloneSession(before, chosenSession).story : before)
	}, [story, before, isAlone, chosenSession])
	const svg = useRef<SVGSVGElement>(null)
	const picture = <Picture {...props} story={story} layout={layout} svg={svg} ghosts={earlier} />
	if (!onLay) return picture
	const first = chosenSession ?? 0
	const nameOfBand = (band: number) => {
		const { session, number } = story.sessions[band] ?? {}
		return session
			? `${sessionName(session.startMin, number ?? band + 1).toLowerCase()}, ${shortDay(session.date)}`
			: ''
	}
	return (
		<BenchHands
			layout={layout}
			svg={svg}
			nameOfBand={nameOfBand}
			onLay={(item, place) => onLay(item, place.isBefore ? place : { ...place, band: place.band + first })}
		>
			{picture}
		</BenchHands>
	)
}

interface PictureProps extends PlanBandsProps {
	layout: BandLayout
	svg: React.RefObject<SVGSVGElement | null>
	ghosts: ReturnType<typeof listGhosts>
}

function Picture({
	story,
	layout,
	svg,
	links,
	selectedTaskId,
	chosenSession,
	zoom = 1,
	pinnedTaskIds = NONE,
	ghosts,
}: PictureProps) {
	const id = useId()
	const part = partOf(story, selectedTaskId)
	const isPale = (source: TaskSource) => part !== undefined && !isOfPart(source, part)
	const tasks = sourcesOf(story)
	const isThreadPale = ({ thread: { fromTaskId, toTaskId } }: PlacedThread) => {
		return part !== undefined && ![fromTaskId, toTaskId].some((task) => isOfPart(tasks.get(task), part))
	}
	const isAlone = chosenSession !== undefined
	const { shelf } = layout
	return (
		<svg
			ref={svg}
			className={isAlone ? 'plan-bands is-alone' : 'plan-bands'}
			style={zoom === 1 ? undefined : { width: layout.width }}
			viewBox={`0 0 ${layout.width} ${layout.height}`}
			role={links ? 'group' : 'img'}
			aria-label="The plan as a picture; the same follows as a list"
		>
			<Textures id={id} />
			{shelf && <ShelfGround shelf={shelf} width={layout.width} minutes={story.prepMinutes} />}
			{layout.ticks.map(({ x, minute }) => (
				<g key={minute}>
					<text x={x} y={layout.ticksY + 14} className="plan-tick" textAnchor="middle">
						{clock(minute)}
					</text>
					<line x1={x} x2={x} y1={layout.ticksY + 22} y2={layout.height} className="plan-tick-line" />
				</g>
			))}
			{layout.bands.map((band, b) => (
				<BandGround
					key={b}
					band={band}
					index={b}
					next={layout.bands[b + 1]}
					pictureWidth={layout.width}
					textureId={id}
					missingMinutes={b === layout.bands.length - 1 ? story.shortfall?.minutes : undefined}
					link={links && { to: links.session(b), Link: links.Link }}
				/>
			))}
			{shelf?.items.map((item) => (
				<ShelfThread key={item.taskId} item={item} layout={layout} />
			))}
			{ghosts.map((ghost) => (
				<GhostShape key={ghost.key} ghost={ghost} layout={layout} />
			))}
			{layout.threads.map((placed, t) => (
				<g key={t} className={isThreadPale(placed) ? 'is-pale' : ''}>
					<ThreadLine placed={placed} id={`${id}-${t}`} />
				</g>
			))}
			{layout.bands.map((band, b) => (
				<BandLegend key={b} band={band} />
			))}
			{layout.bands.flatMap(({ tiles, y }) =>
				tiles.map((placed) => (
					<LinkedTile
						key={`${placed.tile.taskId} ${placed.tile.run}`}
						placed={placed}
						y={y}
						links={links}
						isPale={isPale(placed.tile.source)}
					>
						<TileShape
							placed={placed}
							textureId={id}
							isSelected={placed.tile.taskId === selectedTaskId}
							isPinned={pinnedTaskIds.has(placed.tile.taskId)}
						/>
					</LinkedTile>
				)),
			)}
			{shelf?.items.map((item) => (
				<ShelfPiece key={item.taskId} item={item} />
			))}
			{layout.threads.map((placed, t) => (
				<g key={t} className={isThreadPale(placed) ? 'is-pale' : ''}>
					<LinkedLabel placed={placed} links={links} />
				</g>
			))}
		</svg>
	)
}

/** The part that the chosen step makes; undefined: nothing is chosen, or something that is shown. */
function partOf({ sessions }: PlanStory, taskId: string | undefined): TaskSource | undefined {
	if (taskId === undefined) return undefined
	const source = sessions.flatMap(({ tiles }) => tiles).find((tile) => tile.taskId === taskId)?.source
	return source?.type === 'step' ? source : undefined
}

function isOfPart(source: TaskSource | undefined, part: TaskSource): boolean {
	if (source?.type !== 'step' || part.type !== 'step') return false
	const parts = worksOfTask(part)
	return worksOfTask(source).some((own) =>
		parts.some(({ designId, partId }) => own.designId === designId && own.partId === partId),
	)
}

interface LinkedTileProps {
	placed: PlacedTile
	y: number
	links: PlanLinks | undefined
	isPale: boolean
	children: React.ReactNode
}

/** A tile at its place; it slides there from where it was, and can be taken up where the picture has hands. */
function LinkedTile({ placed, y, links, isPale, children }: LinkedTileProps) {
	const { tile, x } = placed
	const place = { transform: `translate(${x}px, ${y}px)` }
	const name = nameOfTile(placed)
	return (
		<HeldPiece
			id={`step ${tile.taskId} ${tile.run}`}
			item={{ kind: 'step', taskId: tile.taskId, words: name, x, y: y + 35, minutes: tile.endMin - tile.startMin }}
			className={isPale ? 'is-pale' : ''}
		>
			{(handle) => (
				<g className="plan-place" style={place}>
					{links ? (
						<links.Link to={links.tile(tile.taskId)} className="plan-tile-link" aria-label={name} {...handle}>
							{children}
						</links.Link>
					) : (
						children
					)}
				</g>
			)}
		</HeldPiece>
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
