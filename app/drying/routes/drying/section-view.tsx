import { Slider } from 'antd'
import { useId, useState } from 'react'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import type { DryingSample } from '../../../../core/drying/follow-drying'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import type { DryingAddress } from '../../drying-address'
import { hoursWords, STAGE_WORDS } from '../../words/drying'
import { momentWords } from './moments'

const WIDTH = 460
const HEIGHT = 200
const LEFT = 44
const RIGHT = 456
const TOP = 14
const BOTTOM = 172
/** Where the slider stands at first: the piece is half-way there. */
const FIRST_SHARE = 0.38
/** Moisture shown at the top edge, kg/kg. */
const WETTEST = 0.12
const DEW = [157, 185, 201] as const
const STRAW = [226, 196, 110] as const

/** The piece cut through: how wet it is from its open face to its middle or back, at a time that can be dragged. */
export function SectionView({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const { samples, depthsMm, holds } = answer.course
	const [share, setShare] = useState(FIRST_SHARE)
	const id = useId()
	const last = samples.at(-1)?.hours ?? 1
	const hours = toHours(share, last)
	const sample = nearest(samples, hours)
	if (!sample) return null
	const deepest = depthsMm.at(-1) ?? 1
	const toX = (mm: number) => LEFT + (mm / deepest) * (RIGHT - LEFT)
	const toY = (moisture: number) => BOTTOM - (Math.min(WETTEST, moisture) / WETTEST) * (BOTTOM - TOP)
	const line = sample.moisture
		.map((value, i) => `${toX(depthsMm[i] ?? 0).toFixed(1)},${toY(value).toFixed(1)}`)
		.join(' ')
	const held = DRYING_STAGES.findLast((stage) => {
		return holds.some((hold) => hold.stage === stage && hold.fromHours <= hours && (hold.toHours ?? Infinity) > hours)
	})
	const isSheet = address.shape === 'sheet'
	return (
		<section className="sheet drying-section" aria-labelledby={`${id}-head`}>
			<h2 id={`${id}-head`}>Inside the piece</h2>
			<p>
				<b>{momentWords(address.start, hours)}</b>, after {hoursWords(hours)}:{' '}
				{held ? STAGE_WORDS[held] : 'still wet on top'}, {(100 * sample.mean).toFixed(1)} % water on the whole.
			</p>
			<svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={describe(sample, depthsMm, isSheet)}>
				<linearGradient id={`${id}-water`} x1="0" x2="1">
					{sample.moisture.map((value, i) => (
						<stop key={i} offset={(depthsMm[i] ?? 0) / deepest} stopColor={tint(value)} />
					))}
				</linearGradient>
				<rect x={LEFT} y={TOP} width={RIGHT - LEFT} height={BOTTOM - TOP} fill={`url(#${id}-water)`} rx={6} />
				{[0.02, 0.04, 0.06, 0.08, 0.1].map((value) => (
					<g key={value}>
						<line x1={LEFT} x2={RIGHT} y1={toY(value)} y2={toY(value)} className="section-grid" />
						<text x={LEFT - 8} y={toY(value) + 4} textAnchor="end">
							{(100 * value).toFixed(0)} %
						</text>
					</g>
				))}
				<polyline points={line} className="section-line" />
				<text x={LEFT} y={BOTTOM + 20}>
					open face
				</text>
				<text x={RIGHT} y={BOTTOM + 20} textAnchor="end">
					{isSheet ? `back, ${deepest.toFixed(1)} mm down` : `middle, ${deepest.toFixed(1)} mm down`}
				</text>
			</svg>
			<p className="soft small">
				Cut through and turned on its side: water leaves by the open face, and what lies deeper follows slowly. Blue is
				wet, straw is dry, the line says how much.
			</p>
			<div className="drying-time">
				<span>Drag the time</span>
				<Slider
					min={0}
					max={1}
					step={0.005}
					value={share}
					tooltip={{ open: false }}
					ariaLabelForHandle="Time after it was made"
					ariaValueTextFormatterForHandle={(at) => `after ${hoursWords(toHours(at, last))}`}
					onChange={setShare}
				/>
			</div>
		</section>
	)
}

/** The first hours get most of the way. */
function toHours(share: number, last: number): number {
	return last * share ** 2
}

function nearest(samples: readonly DryingSample[], hours: number): DryingSample | undefined {
	return samples.reduce<DryingSample | undefined>((best, sample) => {
		return best && Math.abs(best.hours - hours) <= Math.abs(sample.hours - hours) ? best : sample
	}, undefined)
}

/** From dew (wet) to straw (dry), about the moisture of a firm piece. */
function tint(moisture: number): string {
	const wet = Math.min(1, Math.max(0, (moisture - 0.03) / 0.06))
	return `rgb(${STRAW.map((dry, i) => Math.round(dry + wet * ((DEW[i] ?? 0) - dry))).join(' ')})`
}

function describe({ moisture }: DryingSample, depthsMm: readonly number[], isSheet: boolean): string {
	const at = (share: number) => {
		const depth = share * (depthsMm.at(-1) ?? 1)
		const i = depthsMm.findIndex((mm) => mm >= depth)
		return `${(100 * (moisture[i] ?? 0)).toFixed(1)} %`
	}
	return `Water at the open face ${at(0)}, halfway ${at(0.5)}, at the ${isSheet ? 'back' : 'middle'} ${at(1)}`
}
