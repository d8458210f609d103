import { Button, Radio, Select } from 'antd'
import type { PinPlace } from '../../../../../core/course/course-pin'
import type { StepStory } from '../../../../../core/plan/tell/step-story'
import { clock } from '../../../../shared/words/times'
import { pinWords, PLACE_WORDS, sessionWords, type Named } from '../../../words/pins'
import { useHands } from './hands-context'

interface PinMenuProps {
	step: StepStory
	named: Named
	/** Where the design lets it be done. */
	mayBe: readonly PinPlace[]
}

/** What can be settled about a step: where it lies, beside what, where it is done. */
export function PinMenu({ step, named, mayBe }: PinMenuProps) {
	const hands = useHands()
	const [first] = step.runs
	if (!hands || !first) return null
	const { taskId: task } = step
	const pins = (hands.course.pins ?? []).filter((pin) => 'task' in pin && pin.task === task)
	const others = Object.entries(named.names)
		.filter(([id]) => id !== task)
		.map(([value, label]) => ({ value, label }))
	const session = first.session + 1
	return (
		<section className="pin-menu stack no-print" aria-label="Settle this step">
			<h3>Settle it</h3>
			{pins.map((pin) => (
				<div key={pin.kind} className="row">
					<span className="pin-said">{pinWords(pin, named).split(': ').slice(-1)}</span>
					<Button size="small" onClick={() => hands.edit({ kind: 'lift', pin })}>
						Lift
					</Button>
				</div>
			))}
			<div className="row">
				<Button
					size="small"
					onClick={() =>
						hands.edit({ kind: 'pin', pin: { kind: 'start', task, session, minuteOfDay: first.startMin } })
					}
				>
					Here, at {clock(first.startMin)}
				</Button>
				<Button size="small" onClick={() => hands.edit({ kind: 'pin', pin: { kind: 'session', task, session } })}>
					In {sessionWords(session, named.sessions)}
				</Button>
			</div>
			<Select
				aria-label="Before which step"
				placeholder="Before…"
				showSearch
				optionFilterProp="label"
				value={null}
				options={others}
				onChange={(second: string | null) => {
					if (second) hands.edit({ kind: 'pin', pin: { kind: 'before', first: task, second } })
				}}
			/>
			<Select
				aria-label="In one session with which step"
				placeholder="In one session with…"
				showSearch
				optionFilterProp="label"
				value={null}
				options={others}
				onChange={(second: string | null) => {
					if (second) hands.edit({ kind: 'pin', pin: { kind: 'beside', first: task, second } })
				}}
			/>
			{mayBe.length > 1 && (
				<Radio.Group
					aria-label="Where it is done"
					value="class"
					options={mayBe.map((place) => ({ value: place, label: PLACE_WORDS[place] }))}
					onChange={(event) => {
						hands.edit({ kind: 'pin', pin: { kind: 'place', task, place: event.target.value as PinPlace } })
					}}
				/>
			)}
		</section>
	)
}
