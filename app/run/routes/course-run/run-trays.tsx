import { Button } from 'antd'
import { useState } from 'react'
import { trayTimes } from '../../../../core/run/tray-pace'
import { minuteOfDayAt } from '../../../../core/time/zone'
import type { TrayState } from '../../../../core/run/fold-run'
import type { PlannedBatch } from '../../../../core/run/run-plan'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { clock, count, wait } from '../../../shared/words/times'

const MINUTE_MS = 60_000

/** What dries here: each batch with its two times, and whether it was felt to be there. */
export function RunTrays({ page, run }: { page: RunPage; run: Run }) {
	const laid = run.state.trays.filter(({ laid: own }) => own !== undefined)
	if (laid.length === 0) return null
	return (
		<section className="run-trays" aria-labelledby="trays">
			<h2 id="trays">Drying here</h2>
			<ul>
				{laid.map((tray) => (
					<Tray key={tray.batch} tray={tray} page={page} run={run} />
				))}
			</ul>
		</section>
	)
}

function Tray({ tray, page, run }: { tray: TrayState; page: RunPage; run: Run }) {
	const [isLooking, setIsLooking] = useState(false)
	const batch = page.plan.batches.find(({ id }) => id === tray.batch)
	const look = (isReached: boolean, stage: NonNullable<PlannedBatch['waits'][number]['stage']>) => {
		run.desk.write({ type: 'look', batch: tray.batch, stage, isReached })
		setIsLooking(false)
	}
	const since = tray.laid?.when ?? run.now
	return (
		<li>
			<div>
				<b>{page.batchNames[tray.batch]}</b>
				<span className="soft small">
					{' '}
					{tray.pieces !== undefined && `${count(tray.pieces, 'piece')} each, `}since {wallClock(since, page.timeZone)}
					{tray.where && `, ${tray.where}`}
				</span>
			</div>
			{batch?.waits.map((one) => {
				const { stage, toTaskId } = one
				return (
					<div key={toTaskId} className="tray-times">
						<span>{timesWords(one, tray, page)}</span>
						{stage && !isLooking && <Button onClick={() => setIsLooking(true)}>Look</Button>}
						{stage && isLooking && (
							<span className="row">
								<Button type="primary" onClick={() => look(true, stage)}>
									It is {stage}
								</Button>
								<Button onClick={() => look(false, stage)}>Not yet</Button>
							</span>
						)}
					</div>
				)
			})}
		</li>
	)
}

/** 'set 20:02, 9 in 10 by 20:14', by what was felt. */
function timesWords(waits: PlannedBatch['waits'][number], tray: TrayState, { timeZone }: RunPage): string {
	const what = waits.stage ?? 'ready'
	const times = trayTimes(tray, waits)
	if (!times) return `${what}: nothing is known`
	if ('felt' in times) return `${what}, felt ${wallClock(times.felt, timeZone)}`
	const since = tray.laid?.when ?? times.p50
	const at = (moment: number) => {
		const minutes = Math.round((moment - since) / MINUTE_MS)
		// Beyond this evening a span says more than a clock.
		return minutes > 12 * 60 ? `after ${wait(minutes)}` : wallClock(moment, timeZone)
	}
	return `${what} ${at(times.p50)}, 9 in 10 by ${at(times.p90)}`
}

function wallClock(moment: number, timeZone: string): string {
	return clock(Math.floor(minuteOfDayAt(moment, timeZone)))
}
