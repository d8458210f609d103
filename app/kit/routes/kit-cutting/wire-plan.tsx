import type { CuttingPlan } from '../../../../core/materials/cutting-plan'
import { count } from '../../../shared/words/times'
import { CuttingBars } from './cutting-bars'
import type { WireGroup } from '../../../../core/kit/wire-bill'
import type { UnitSystem } from '../../../../core/materials/units'
import { OptionLink } from '../../../shared/components/option-link'
import { lengthWords } from '../../../shared/words/amounts'

/** With what the studio's gauge table says. */
export interface WireGroupData extends WireGroup {
	diameterMm: number
}

interface WirePlanProps {
	units: UnitSystem
	wires: readonly WireGroupData[]
	isByKit: boolean
	studentCount: number
	stockLengthsMm: readonly number[]
}

/** Wires by gauge with how they are cut, pooled for the class or kit by kit. */
export function WirePlan({ wires, isByKit, studentCount, stockLengthsMm, units }: WirePlanProps) {
	return (
		<>
			<div className="row">
				<h2 id="wires">Wires to cut</h2>
				<div className="cut-links no-print" role="group" aria-label="Cut for">
					<OptionLink to="?cut=pooled" isCurrent={!isByKit}>
						the class together
					</OptionLink>
					<OptionLink to="?cut=by-kit" isCurrent={isByKit}>
						kit by kit
					</OptionLink>
				</div>
			</div>
			<p className="soft">
				From stock wires of {stockLengthsMm.map((length) => lengthWords(length, units)).join(' and ')}.
			</p>
			<p className="caution">
				Cut ends fly: point the wire down, hold both ends, wear eye protection, and have nobody in front.
			</p>
			{wires.map((group) => (
				<WireGroupPart
					key={`${group.gauge} ${group.colour}`}
					group={group}
					isByKit={isByKit}
					studentCount={studentCount}
					units={units}
				/>
			))}
		</>
	)
}

function WireGroupPart({
	group,
	isByKit,
	studentCount,
	units,
}: {
	group: WireGroupData
	isByKit: boolean
	studentCount: number
	units: UnitSystem
}) {
	const plan = isByKit ? group.kitPlan : group.pooledPlan
	const wireCount = isByKit ? group.wireCountByKit : plan.wires.length
	return (
		<article className="wire-group">
			<h3>
				{group.gauge} gauge, {group.colour} <span className="soft">{group.diameterMm.toFixed(2)} mm</span>
			</h3>
			<p>
				<strong className="wire-count">{count(wireCount, 'stock wire')}</strong>
				<span className="soft">
					{isByKit
						? ` : ${plan.wires.length} a kit × ${studentCount}, and those to show or to bring. Drawn: one kit.`
						: ` for ${count(sumOfPieces(group), 'piece')}. `}
					{provenWords(plan)}
				</span>
			</p>
			<ul className="wire-lines">
				{group.lines.map(({ partName, lengthMm, shares, designName }) => (
					<li key={`${designName} ${partName}`}>
						{partName}: {lengthWords(lengthMm, units)}, {shares.usual} a kit, {shares.total} in all
					</li>
				))}
			</ul>
			{!isByKit && group.pooledPlan.offcuts.length > 0 && (
				<p>
					First from off-cuts on the shelf:{' '}
					{tellAlike(
						group.pooledPlan.offcuts.map(
							({ stockLengthMm, piecesMm }) =>
								`${lengthWords(stockLengthMm, units)} into ${piecesMm.map((mm) => lengthWords(mm, units)).join(' + ')}`,
						),
					)}
				</p>
			)}
			<div
				className="scroll-x"
				tabIndex={0}
				role="region"
				aria-label={`Cutting plan, ${group.gauge} gauge ${group.colour}`}
			>
				<CuttingBars plan={plan} />
			</div>
			{!isByKit && group.keptOffcuts.length > 0 && (
				<p className="soft">
					Left over and worth keeping:{' '}
					{group.keptOffcuts.map(({ lengthMm, count: n }) => `${n} of ${lengthWords(lengthMm, units)}`).join(', ')}
				</p>
			)}
		</article>
	)
}

function sumOfPieces({ lines }: WireGroupData): number {
	return lines.reduce((sum, { shares }) => sum + shares.total, 0)
}

/** '5 × 18 cm into 12 cm; 20 cm into 9 cm + 9 cm'. */
function tellAlike(words: readonly string[]): string {
	return [...new Set(words)]
		.map((word) => [words.filter((other) => other === word).length, word] as const)
		.map(([times, word]) => (times > 1 ? `${times} × ${word}` : word))
		.join('; ')
}

function provenWords({ isProven, wires, minWireCount }: CuttingPlan): string {
	if (isProven) return 'No way of cutting takes fewer.'
	return wires.length === minWireCount
		? 'No way of cutting takes fewer; perhaps less waste is possible.'
		: `At least ${minWireCount} are needed by any way of cutting.`
}
