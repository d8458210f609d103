import { Button } from 'antd'
import { pinKey } from '../../../../../core/course/course-pin'
import { percentSure } from '../../../../drying/words/waits'
import { duration } from '../../../../shared/words/times'
import type { TrialPhase, TrialSession } from '../../../trial/trial-session'
import type { Foreseen } from '../../../trial/try-course'
import { pinWords, sessionWords, type Named } from '../../../words/pins'
import { nameOfTask } from '../../../words/tasks'

/** Why a wish cannot be: the fewest of those settled that conflict, each with a press to lift it, and what it would cost. */
export function ConflictWords({
	phase: { conflict, foreseen },
	session,
	named,
}: {
	phase: Extract<TrialPhase, { kind: 'conflict' }>
	session: TrialSession
	named: Named
}) {
	const pins = conflict.kind === 'pins' ? conflict.pins : []
	const short = foreseen.filter(({ haveMinutes }) => haveMinutes >= 1)
	const last = session.lastEdit
	const wish = last?.kind === 'pin' && last.pin.kind === 'start' ? last.pin : undefined
	const isOnlyShort = short.length > 0 && short.length === foreseen.length
	return (
		<section className="alert trial-conflict" aria-label="It cannot be laid like that">
			<p>
				<b>{pins.length > 1 ? 'These cannot all be:' : 'That cannot be, as things are.'}</b>{' '}
				{foreseen.map(foreseenWords).join('; ')}
				{foreseen.length > 0 ? '.' : wish && 'Nothing else can be laid round it at that minute.'}
			</p>
			{pins.length > 0 && (
				<ul className="pin-list">
					{pins.map((pin) => (
						<li key={pinKey(pin)}>
							<span>{pinWords(pin, named)}</span>
							<Button
								size="small"
								aria-label={`Lift ${pinWords(pin, named)}`}
								onClick={() => session.edit({ kind: 'lift', pin })}
							>
								Lift
							</Button>
						</li>
					))}
				</ul>
			)}
			<div className="row">
				<Button type="primary" onClick={() => session.undo(1)}>
					Leave it as it was
				</Button>
				{wish && (
					<Button
						onClick={() => {
							const { task, session: number } = wish
							session.instead({ kind: 'pin', pin: { kind: 'session', task, session: number } })
						}}
					>
						Somewhere in {sessionWords(wish.session, named.sessions)}
					</Button>
				)}
				{isOnlyShort && (
					<Button
						danger
						onClick={() => {
							for (const { key, haveMinutes } of short) session.edit({ kind: 'wait', key, minutes: haveMinutes })
						}}
					>
						Lay it there all the same
					</Button>
				)}
			</div>
		</section>
	)
}

/** 'centre: tape would come 3 h before centre: roll is hard: 40 % sure'. */
function foreseenWords({ from, to, stage, haveMinutes, wantedMinutes, sure }: Foreseen): string {
	if (haveMinutes < 0) return `“${nameOfTask(to)}” would come before “${nameOfTask(from)}” is done`
	const early = duration(wantedMinutes - haveMinutes)
	const odds = sure === undefined ? '' : `: only ${percentSure(sure)} sure`
	return `“${nameOfTask(to)}” would come ${early} before “${nameOfTask(from)}” is ${stage ?? 'dry'}${odds}`
}
