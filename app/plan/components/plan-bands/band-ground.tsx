import { daysBetween } from '../../../../core/time/calendar'
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
import type { PlanLinks } from './plan-bands'

interface BandGroundProps {
	band: PlacedBand
	next: PlacedBand | undefined
	pictureWidth: number
	textureId: string
	/** Of the last session of a course that does not fit. */
	missingMinutes: number | undefined
	/** Where the session by itself is shown. */
	link: { to: string; Link: PlanLinks['Link'] } | undefined
}

/** A session without its steps: its name and hours, what is closed, what is to spare, the days after it. */
export function BandGround({ band, next, pictureWidth, textureId, missingMinutes, link }: BandGroundProps) {
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
			{band.breaks.map((placed) => (
				<BreakMark key={placed.x} placed={placed} y={y} />
			))}
			<SpareWords x={pictureWidth} y={y} spareMinutes={session.spareMinutes} missingMinutes={missingMinutes} />
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

/** Tea where the plan has it, and over it the span in which it may move. */
function BreakMark({ placed: { pause, x, width, spanX, spanWidth }, y }: { placed: PlacedBreak; y: number }) {
	const { startMin, minutes, earliestMin, latestMin } = pause
	const height = BAND_HEIGHT - 2 * TILE_INSET
	const movesWords = latestMin > earliestMin ? `; it may begin from ${clock(earliestMin)} to ${clock(latestMin)}` : ''
	const lineY = y - 5
	return (
		<g className="plan-break">
			<title>{`Break ${clock(startMin)}, ${duration(minutes)}${movesWords}`}</title>
			<rect x={x} y={y + TILE_INSET} width={width} height={height} rx={9} className="plan-break-body" />
			{width >= LEAST_BREAK_WIDTH && (
				<text x={x + width / 2} y={y + BAND_HEIGHT / 2 + 4} textAnchor="middle">
					break
				</text>
			)}
			{spanWidth > width + 1 && (
				<path
					d={`M${spanX} ${lineY - 3}v6M${spanX} ${lineY}h${spanWidth}M${spanX + spanWidth} ${lineY - 3}v6`}
					className="plan-break-span"
				/>
			)}
		</g>
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
	spareMinutes,
	missingMinutes,
}: {
	x: number
	y: number
	spareMinutes: number
	missingMinutes: number | undefined
}) {
	const state = missingMinutes === undefined ? '' : 'is-short'
	return (
		<>
			<text x={x} y={y + 31} className={`plan-spare ${state}`} textAnchor="end">
				{duration(missingMinutes ?? spareMinutes)}
			</text>
			<text x={x} y={y + 48} className={`plan-spare-word ${state}`} textAnchor="end">
				{missingMinutes === undefined ? 'to spare' : 'missing'}
			</text>
		</>
	)
}

/** What has no room on the tiles of a band, by their numbers. Over the threads, which run behind it. */
export function BandLegend({ band: { legend, legendY } }: { band: PlacedBand }) {
	return legend.map(({ number, text, x, row }) => (
		<text key={number} x={LEFT + x} y={legendY + LEGEND_ROW * row} className="plan-legend">
			<tspan className="plan-legend-number">{number}</tspan> {text}
		</text>
	))
}
