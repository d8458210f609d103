import { Button, Input } from 'antd'
import { useState } from 'react'
import { airAt } from '../../../../core/drying/climate'
import { lookCall } from '../../../../core/run/calls'
import type { TrayState } from '../../../../core/run/fold-run'
import type { BatchWait } from '../../../../core/run/run-plan'
import { trayTimes } from '../../../../core/run/tray-pace'
import { minuteOfDayAt } from '../../../../core/time/zone'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { STAGE_WORDS } from '../../../drying/words/drying'
import { clock, count, wait } from '../../../shared/words/times'

const MINUTE_MS = 60_000
const LONGEST_PLACE = 120

/** What dries here: each batch with its two times, and how dry it was felt to be. */
export function RunTrays({ page, run }: { page: RunPage; run: Run }) {
	const laid = run.state.trays.filter(({ laid: own }) => own !== undefined)
	if (laid.length === 0) return null
	return (
		<section className="run-trays" aria-labelledby="trays">
			<h2 id="trays">Drying here</h2>
			<p className="soft">{airWords(page, run)}</p>
			<ul>
				{laid.map((tray) => (
					<Tray key={tray.batch} tray={tray} page={page} run={run} />
				))}
			</ul>
		</section>
	)
}

interface TrayProps {
	tray: TrayState
	page: RunPage
	run: Run
}

function Tray({ tray, page, run }: TrayProps) {
	const batch = run.state.plan.batches.find(({ id }) => id === tray.batch)
	const since = tray.laid?.when ?? run.now
	return (
		<li>
			<div className="tray-head">
				<b>{page.batchNames[tray.batch]}</b>
				<span className="soft small">
					{tray.pieces !== undefined && `${count(tray.pieces, 'piece')} each, `}since {wallClock(since, page.timeZone)}
				</span>
				<TrayPlace key={tray.where} tray={tray} page={page} run={run} />
			</div>
			{batch?.waits.map((one) => (
				<TrayWait key={one.toTaskId} wait={one} tray={tray} page={page} run={run} />
			))}
		</li>
	)
}

/** Where it lies; kept when she goes on. */
function TrayPlace({ tray, page, run }: TrayProps) {
	const keep = (where: string) => {
		if (!tray.laid || where === (tray.where ?? '')) return
		const { pieces } = tray
		run.desk.write({ type: 'tray', batch: tray.batch, where, ...(pieces !== undefined && { pieces }) }, tray.laid.when)
	}
	return (
		<Input
			className="tray-place"
			aria-label={`Where ${page.batchNames[tray.batch] ?? 'it'} lies`}
			placeholder="where it lies"
			maxLength={LONGEST_PLACE}
			defaultValue={tray.where}
			onBlur={({ target }) => keep(target.value.trim())}
			onPressEnter={({ currentTarget }) => currentTarget.blur()}
		/>
	)
}

function TrayWait({ wait: own, tray, page, run }: TrayProps & { wait: BatchWait }) {
	const [isLooking, setIsLooking] = useState(false)
	const { stage, toTaskId, feels } = own
	const isCalling = run.calls.includes(lookCall(tray.batch, toTaskId))
	const look = (felt: NonNullable<BatchWait['stage']>, isReached: boolean) => {
		const isNoFurther = isReached && felt !== stage
		run.desk.write({ type: 'look', batch: tray.batch, stage: felt, isReached, ...(isNoFurther && { isNoFurther }) })
		setIsLooking(false)
	}
	const onTheWay = feels.length > 0 ? feels.map((feel) => feel.stage) : stage ? [stage] : []
	const [first] = onTheWay
	return (
		<div className={isCalling ? 'tray-times is-calling' : 'tray-times'}>
			<span>{timesWords(own, tray, page)}</span>
			{stage && !isLooking && (
				<Button type={isCalling ? 'primary' : 'default'} onClick={() => setIsLooking(true)}>
					{isCalling ? 'Look at it now' : 'Look'}
				</Button>
			)}
			{first && isLooking && (
				<span className="row" role="group" aria-label="How dry it is">
					<Button onClick={() => look(first, false)}>{feels.length > 0 ? 'still soft' : 'not yet'}</Button>
					{onTheWay.map((felt) => (
						<Button key={felt} type={felt === stage ? 'primary' : 'default'} onClick={() => look(felt, true)}>
							{STAGE_WORDS[felt]}
						</Button>
					))}
				</span>
			)}
		</div>
	)
}

/** 'set 20:02, 9 in 10 by 20:14', by what was felt. */
function timesWords(own: BatchWait, tray: TrayState, { timeZone }: RunPage): string {
	const what = own.stage ? STAGE_WORDS[own.stage] : 'ready'
	const times = trayTimes(tray, own)
	if (!times) return `${what}: nothing is known`
	if ('felt' in times) return `${what}, felt ${wallClock(times.felt, timeZone)}`
	const since = tray.laid?.when ?? times.p50
	const at = (moment: number) => {
		const minutes = Math.round((moment - since) / MINUTE_MS)
		// Beyond this evening a span says more than a clock.
		return minutes > 12 * 60 ? `after ${wait(minutes)}` : wallClock(moment, timeZone)
	}
	switch (own.doubt) {
		case 'never':
			return `${what}: not in this air; planned for ${at(times.p50)}`
		case 'unlikely':
			return `${what} ${at(times.p50)} at even odds, not to be relied on in this air`
		default:
			return `${what} ${at(times.p50)}, 9 in 10 by ${at(times.p90)}`
	}
}

/** 'In 22.5 °C and 58 %, read 19:40', or what the plan was made with. */
function airWords({ room, timeZone, plan }: RunPage, { state: { reading } }: Run): string {
	const { temperatureC, humidity } = reading ?? airAt(room.climate, plan.openMin)
	const air = `${temperatureC.toFixed(1)} °C and ${Math.round(100 * humidity)} %`
	return reading ? `In ${air}, read ${wallClock(reading.when, timeZone)}` : `In ${air}, as it was planned with`
}

function wallClock(moment: number, timeZone: string): string {
	return clock(Math.floor(minuteOfDayAt(moment, timeZone)))
}
