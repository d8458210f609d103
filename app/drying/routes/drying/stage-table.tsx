import { lazy, Suspense } from 'react'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { STAGE_TERMS } from '../../../../core/drying/stages'
import { useHydrated } from '../../../shared/components/use-hydrated'
import type { DryingAddress } from '../../drying-address'
import { hoursWords, STAGE_WORDS } from '../../words/drying'
import { neededAir } from '../../words/waits'
import { momentWords } from './moments'

const StageChart = lazy(() => import('./stage-chart'))

/** Every stage over the clock: as a chart, and the same in figures. */
export function StageTable({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const isAlive = useHydrated()
	const { stages, cutOffs } = answer
	return (
		<section className="sheet" aria-labelledby="stages-head">
			<h2 id="stages-head">Stage by stage</h2>
			<div className="stage-chart">
				{isAlive && (
					<Suspense fallback={null}>
						<StageChart address={address} answer={answer} />
					</Suspense>
				)}
			</div>
			<div className="scroll-x" tabIndex={0} role="region" aria-label="Stages in figures">
				<table>
					<thead>
						<tr>
							<th>Stage</th>
							<th>Even odds</th>
							<th>9 in 10</th>
							<th>Then you can</th>
						</tr>
					</thead>
					<tbody>
						{DRYING_STAGES.map((stage) => {
							const { p50, p90 } = stages[stage]
							return (
								<tr key={stage} className={stage === address.stage ? 'is-wanted' : ''}>
									<td>{STAGE_WORDS[stage]}</td>
									{p50 === undefined ? (
										<td colSpan={2}>never here: {neededAir(cutOffs[stage])} only</td>
									) : (
										<>
											<td>
												{hoursWords(p50)} <span className="soft small">{momentWords(address.start, p50)}</span>
											</td>
											<td>
												{p90 === undefined ? (
													'not to be relied on'
												) : (
													<>
														{hoursWords(p90)} <span className="soft small">{momentWords(address.start, p90)}</span>
													</>
												)}
											</td>
										</>
									)}
									<td className="soft">{STAGE_TERMS[stage].allows}</td>
								</tr>
							)
						})}
					</tbody>
				</table>
			</div>
		</section>
	)
}
