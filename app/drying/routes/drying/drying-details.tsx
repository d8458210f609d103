import { memo } from 'react'
import { AirMap } from './air-map'
import { Beside } from './beside'
import { HelpLadder } from './help-ladder'
import type { DryingData } from './load-drying.server'
import { Changing } from '../../../shared/may/changing'
import { NoteForm } from './note-form'
import { OtherWaits } from './other-waits'
import { SectionView } from './section-view'
import { StageTable } from './stage-table'
import type { Drying } from './use-drying'

interface DryingDetailsProps extends Pick<Drying, 'change' | 'askWorker'> {
	answered: NonNullable<Drying['answered']>
	data: DryingData
}

/** All that stands below the answer: inside of the piece, what would help, stages, others beside it, other rooms, other waits. */
export const DryingDetails = memo(function DryingDetails({ answered, change, askWorker, data }: DryingDetailsProps) {
	return (
		<>
			<div className="drying-pair">
				<SectionView {...answered} />
				<HelpLadder answered={answered} change={change} data={data} />
			</div>
			<StageTable {...answered} />
			<Beside answered={answered} askWorker={askWorker} data={data} />
			<AirMap address={answered.address} askWorker={askWorker} data={data} />
			<div className="drying-pair">
				<OtherWaits address={answered.address} data={data} />
				<Changing>
					<NoteForm answered={answered} data={data} />
				</Changing>
			</div>
		</>
	)
})
