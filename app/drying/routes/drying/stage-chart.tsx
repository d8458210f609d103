import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { toMinutes, wantedHoursOf } from '../../ask-drying'
import type { DryingAddress } from '../../drying-address'
import { STAGE_WORDS } from '../../words/drying'
import { CHART, scaleStages } from './stage-scale'

/** The stages as bars over the clock, from even odds to 9 in 10, with the moment when the piece is wanted. */
export function StageChart({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const { height, bars, ticks, wantedX } = scaleStages(answer.stages, toMinutes(address.start), wantedHoursOf(address))
	const foot = height - 20
	return (
		<svg className="stage-chart" viewBox={`0 0 ${CHART.width} ${height}`} aria-hidden="true">
			{ticks.map(({ x, label }) => (
				<g key={label}>
					<line x1={x} x2={x} y1={CHART.top - 4} y2={foot} className="stage-tick-line" />
					<text x={x} y={height - 4} textAnchor="middle" className="stage-tick">
						{label}
					</text>
				</g>
			))}
			{DRYING_STAGES.filter((stage) => stage !== 'through').map((stage, s) => (
				<text key={stage} x={CHART.left - 10} y={CHART.top + s * CHART.row + 16} textAnchor="end">
					{STAGE_WORDS[stage]}
				</text>
			))}
			{bars.map(({ stage, x, y, width, isLate }) => (
				<rect
					key={stage}
					x={x}
					y={y + 4}
					width={width}
					height={CHART.row - 8}
					rx={6}
					className={`stage-bar ${isLate ? 'is-late' : ''} ${stage === address.stage ? 'is-wanted' : ''}`}
				/>
			))}
			<line x1={wantedX} x2={wantedX} y1={CHART.top - 6} y2={foot} className="stage-wanted" />
			<text x={wantedX} y={12} className="stage-wanted-word" textAnchor={wantedX > CHART.right - 60 ? 'end' : 'start'}>
				wanted {address.by}
			</text>
		</svg>
	)
}
