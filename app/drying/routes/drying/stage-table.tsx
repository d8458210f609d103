import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { STAGE_TERMS } from '../../../../core/drying/stages'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { PlainTable } from '../../../shared/native/plain-table'
import type { DryingAddress } from '../../drying-address'
import { claimWords, hoursWords, STAGE_WORDS } from '../../words/drying'
import { neededAir } from '../../words/waits'
import { momentWords } from './moments'
import { StageChart } from './stage-chart'

/** Every stage over the clock: as a chart, and the same in figures. */
export function StageTable({ address, answer }: { address: DryingAddress; answer: DryingAnswer }) {
	const { stages, cutOffs } = answer
	return (
		<section className="sheet" aria-labelledby="stages-head">
			<h2 id="stages-head">Stage by stage</h2>
			<ScrollRegion label="Stages over the clock">
				<StageChart address={address} answer={answer} />
			</ScrollRegion>
			<PlainTable
				label="Stages in figures"
				rows={DRYING_STAGES.map((stage) => ({ stage, ...stages[stage] }))}
				keyOf={({ stage }) => stage}
				rowClass={({ stage }) => (stage === address.stage ? 'is-wanted' : '')}
				columns={[
					{ name: 'Stage', isHead: true, cell: ({ stage }) => STAGE_WORDS[stage] },
					{
						name: 'Even odds',
						span: ({ p50 }) => (p50 === undefined ? 2 : 1),
						cell: ({ stage, p50, claim }) =>
							p50 === undefined ? (
								`${claimWords({ claim })}: ${neededAir(cutOffs[stage])} only`
							) : (
								<After hours={p50} start={address.start} />
							),
					},
					{
						name: 'To plan with',
						span: ({ p50 }) => (p50 === undefined ? 0 : 1),
						cell: ({ plan, ...said }) =>
							plan === undefined ? (
								claimWords(said)
							) : (
								<>
									<After hours={plan} start={address.start} /> <span className="soft small">{claimWords(said)}</span>
								</>
							),
					},
					{ name: 'Then you can', cellClass: () => 'soft', cell: ({ stage }) => STAGE_TERMS[stage].allows },
				]}
			/>
		</section>
	)
}

function After({ hours, start }: { hours: number; start: string }) {
	return (
		<>
			{hoursWords(hours)} <span className="soft small">{momentWords(start, hours)}</span>
		</>
	)
}
