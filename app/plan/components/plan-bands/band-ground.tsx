import { daysBetween } from '../../../../core/time/calendar'
import type { SessionStory } from '../../../../core/plan/tell/plan-story'
import { clock, duration, gap, sessionName, shortDay } from '../../../shared/words/times'
import {
	BAND_HEIGHT,
	LEFT,
	LEGEND_ROW,
	SPARE_WIDTH,
	TILE_INSET,
	type PlacedBand,
	type PlacedBreak,
} from './band-layout'
import { HeldPiece } from './hands/held-piece'
import type { PlanLinks } from './plan-bands'

interface BandGroundProps {
	band: PlacedBand
	/** Among those of the picture, from 0. */
	index: number
	next: PlacedBand | undefined
	pictureWidth: number
	textureId: string
	/** Of the last session of a course that does not fit. */
	missingMinutes: number | undefined
	/** Where the session by itself is shown. */
	link: { to: string; Link: PlanLinks['Link'] } | undefined
}

/** A session without its steps: its name and hours, what is closed, what is to spare, the days after it. */
export function BandGround({ band, index, next, pictureWidth, textureId, missingMinutes, link }: BandGroundProps) {
	const { session, y, x, width, closed } = band
	return (
		<g>
			<SessionName band={band} link={link} />
			<rect x={x} y={y} width={width} height={BAND_HEIGHT} rx={12} className="plan-band" />
			{closed.map((stretch) => (
				<rect
					key={stretch.x}
					x={stretch.x}
					y={y + TILE_INSET}
					width={stretch.width}
					height={BAND_HEIGHT - 2 * TILE_INSET}
					rx={4}
					fill={`url(#${textureId}-closed)`}
				/>
			))}
			{band.idle.map((stretch) => (
				<IdleMark key={stretch.x} stretch={stretch} y={y} textureId={textureId} />
			))}
			{band.breaks.map((placed) => (
				<BreakMark key={placed.pause.usualMin} placed={placed} y={y} band={index} />
			))}
			<EndHandle band={band} index={index} />
			<SpareWords x={pictureWidth} y={y} session={session} missingMinutes={missingMinutes} />
			{band.gap && next && (
				<g>
					<rect
						x={LEFT}
						y={band.gap.y + 8}
						width={pictureWidth - LEFT - SPARE_WIDTH}
						height={band.gap.height - 16}
						fill={`url(#${textureId}-gap)`}
					/>
					<text x={0} y={band.gap.y + band.gap.height / 2 + 4} className="plan-gap">
						{gap(daysBetween(session.session.date, next.session.session.date))}
					</text>
				</g>
			)}
		</g>
	)
}

/** Everybody waits: it is seen, and said where there is room. */
function IdleMark({
	stretch: { x, width, minutes },
	y,
	textureId,
}: {
	stretch: PlacedBand['idle'][number]
	y: number
	textureId: string
}) {
	return (
		<g className="plan-idle">
			<title>{`${duration(minutes)} of waiting`}</title>
			<rect
				x={x}
				y={y + TILE_INSET + 12}
				width={width}
				height={BAND_HEIGHT - 2 * TILE_INSET - 24}
				fill={`url(#${textureId}-idle)`}
			/>
			{width >= LEAST_IDLE_WIDTH && (
				<text x={x + width / 2} y={y + BAND_HEIGHT / 2 + 4} textAnchor="middle">
					{`wait ${minutes}`}
				</text>
			)}
		</g>
	)
}

/** In which its words have room, px. */
const LEAST_IDLE_WIDTH = 46

/** Tea where the plan has it, and over it the span in which it may move. */
function BreakMark({
	placed: { pause, x, width, spanX, spanWidth },
	y,
	band,
}: {
	placed: PlacedBreak
	y: number
	band: number
}) {
	const { startMin, minutes, earliestMin, latestMin, usualMin } = pause
	const height = BAND_HEIGHT - 2 * TILE_INSET
	const movesWords = latestMin > earliestMin ? `; it may begin from ${clock(earliestMin)} to ${clock(latestMin)}` : ''
	const words = `Break ${clock(startMin)}, ${duration(minutes)}${movesWords}`
	const lineY = y - 5
	return (
		<g className="plan-break">
			{spanWidth > width + 1 && (
				<path
					d={`M${spanX} ${lineY - 3}v6M${spanX} ${lineY}h${spanWidth}M${spanX + spanWidth} ${lineY - 3}v6`}
					className="plan-break-span"
				/>
			)}
			<HeldPiece
				id={`break ${band} ${usualMin}`}
				item={{ kind: 'break', band, startMin: usualMin, words, x, y: y + BAND_HEIGHT / 2, minutes }}
			>
				{(handle) => (
					<g className="plan-handle" {...(handle && { ...handle, role: 'button', tabIndex: 0, 'aria-label': words })}>
						<title>{words}</title>
						<rect x={x} y={y + TILE_INSET} width={width} height={height} rx={9} className="plan-break-body" />
						{width >= LEAST_BREAK_WIDTH && (
							<text x={x + width / 2} y={y + BAND_HEIGHT / 2 + 4} textAnchor="middle">
								break
							</text>
						)}
					</g>
				)}
			</HeldPiece>
		</g>
	)
}

/** The close of the session, which can be drawn later or earlier. */
function EndHandle({ band: { session, x, width, y }, index }: { band: PlacedBand; index: number }) {
	const right = x + width
	const words = `End of ${sessionName(session.session.startMin, session.number).toLowerCase()}, ${clock(session.session.endMin)}`
	return (
		<HeldPiece
			id={`end ${index}`}
			item={{ kind: 'end', band: index, words, x: right, y: y + BAND_HEIGHT / 2, minutes: 0 }}
		>
			{(handle) =>
				handle && (
					<g className="plan-handle plan-end" {...handle} role="button" tabIndex={0} aria-label={words}>
						<title>{words}</title>
						<rect x={right - 5} y={y} width={10} height={BAND_HEIGHT} rx={5} className="plan-end-body" />
						<path d={`M${right - 1.5} ${y + 26}v18M${right + 1.5} ${y + 26}v18`} />
					</g>
				)
			}
		</HeldPiece>
	)
}

/** In which its word has room, px. */
const LEAST_BREAK_WIDTH = 40

function SessionName({ band: { session, y }, link }: Pick<BandGroundProps, 'band' | 'link'>) {
	const { startMin, date } = session.session
	const name = sessionName(startMin, session.number)
	const words = (
		<>
			<text x={0} y={y + 28} className="plan-session">
				{name}
			</text>
			<text x={0} y={y + 47} className="plan-session-date">
				{shortDay(date)}, {clock(startMin)}
			</text>
		</>
	)
	if (!link) return words
	return (
		<link.Link to={link.to} className="plan-session-link" aria-label={`${name} by itself`}>
			{words}
		</link.Link>
	)
}

function SpareWords({
	x,
	y,
	session: { spareMinutes, isTight, handsOnMinutes, workMinutes },
	missingMinutes,
}: {
	x: number
	y: number
	session: SessionStory
	missingMinutes: number | undefined
}) {
	const isMissing = missingMinutes !== undefined
	const state = isMissing || isTight ? 'is-short' : ''
	const rest = isTight ? 'to spare: tight' : 'to spare'
	const share = handsOnMinutes > 0 ? Math.min(1, workMinutes / handsOnMinutes) : 0
	return (
		<>
			<text x={x} y={y + 25} className={`plan-spare ${state}`} textAnchor="end">
				{duration(missingMinutes ?? spareMinutes)}
			</text>
			<text x={x} y={y + 42} className={`plan-spare-word ${state}`} textAnchor="end">
				{isMissing ? 'missing' : rest}
			</text>
			<g className={isTight ? 'plan-full is-tight' : 'plan-full'}>
				<title>{`${Math.round(100 * share)} % of the hands-on time is work${isTight ? '; less is left at the end than you like to keep' : ''}`}</title>
				<rect x={x - FULL_WIDTH} y={y + 52} width={FULL_WIDTH} height={6} rx={3} />
				<rect x={x - FULL_WIDTH} y={y + 52} width={FULL_WIDTH * share} height={6} rx={3} className="plan-full-part" />
			</g>
		</>
	)
}

/** Of a bar that shows how full a session is, px. */
const FULL_WIDTH = 72

/** What has no room on the tiles of a band, by their numbers. Over the threads, which run behind it. */
export function BandLegend({ band: { legend, legendY, gap: own } }: { band: PlacedBand }) {
	return (
		<>
			{legend.map(({ number, text, x, row }) => (
				<text key={number} x={LEFT + x} y={legendY + LEGEND_ROW * row} className="plan-legend">
					<tspan className="plan-legend-number">{number}</tspan> {text}
				</text>
			))}
			{own?.home.map(({ y, text }) => (
				<text key={text} x={LEFT + 10} y={y} className="plan-legend plan-home">
					{text}
				</text>
			))}
		</>
	)
}
