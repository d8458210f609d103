import { Slider } from 'antd'
import { useState } from 'react'
import { clock, duration } from '../../../../shared/words/times'
import { useHands } from './hands-context'

interface SlackBarProps {
	taskId: string
	/** From 1. */
	session: number
	/** Minutes after midnight. */
	startMin: number
	/** By which it can begin earlier, and later, with all else in place. */
	earlierMinutes: number
	laterMinutes: number
}

/** How far a step can move without harm, as a bar in which it can be moved. */
export function SlackBar({ taskId, session, startMin, earlierMinutes, laterMinutes }: SlackBarProps) {
	const hands = useHands()
	const [moved, setMoved] = useState(0)
	if (!hands || earlierMinutes + laterMinutes === 0) return null
	return (
		<div className="slack-bar no-print">
			<Slider
				min={-earlierMinutes}
				max={laterMinutes}
				value={moved}
				marks={{
					...(earlierMinutes > 0 && { [-earlierMinutes]: clock(startMin - earlierMinutes) }),
					...(laterMinutes > 0 && { [laterMinutes]: clock(startMin + laterMinutes) }),
				}}
				ariaLabelForHandle="Begin it at"
				ariaValueTextFormatterForHandle={(value) => clock(startMin + value)}
				tooltip={{
					formatter: (value = 0) => `${clock(startMin + value)} (${value > 0 ? '+' : ''}${duration(Math.abs(value))})`,
				}}
				onChange={setMoved}
				onChangeComplete={(value) => {
					if (value === 0) return
					hands.edit({ kind: 'pin', pin: { kind: 'start', task: taskId, session, minuteOfDay: startMin + value } })
				}}
			/>
		</div>
	)
}
