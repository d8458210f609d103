import { Button } from 'antd'
import { pinKey, type CoursePin } from '../../../../../core/course/course-pin'
import { pinWords, type Named } from '../../../words/pins'

/** Everything that is settled, each with a press to lift it. */
export function PinList({
	pins,
	named,
	idle = [],
	onLift,
}: {
	pins: readonly CoursePin[]
	named: Named
	/** Those that hold nothing any more. */
	idle?: readonly CoursePin[]
	onLift: (pin: CoursePin) => void
}) {
	if (pins.length === 0)
		return (
			<p className="pin-list-empty">
				Nothing is settled: every step lies where it is best. Take up a step and lay it elsewhere, or choose one and
				settle it on its card.
			</p>
		)
	const idleKeys = new Set(idle.map(pinKey))
	return (
		<ul className="pin-list">
			{pins.map((pin) => (
				<li key={pinKey(pin)}>
					<span>
						{pinWords(pin, named)}
						{idleKeys.has(pinKey(pin)) && <em> (holds nothing any more)</em>}
					</span>
					<Button size="small" onClick={() => onLift(pin)} aria-label={`Lift ${pinWords(pin, named)}`}>
						Lift
					</Button>
				</li>
			))}
		</ul>
	)
}
