import { Button } from 'antd'
import { useId, useState } from 'react'
import { useFetcher } from 'react-router'
import { DayInput } from '../../../shared/components/fields/day-input'
import type { WorkItem } from './calendar-view'

/** The day on which she wants it, or whenever it is best; what stands against a day is said beside it. */
export function DayChoice({ item: { taskId, courseId, start, words, isSettled } }: { item: WorkItem }) {
	const id = useId()
	const [isOpen, setOpen] = useState(false)
	const fetcher = useFetcher<{ refused?: boolean; message?: string }>()
	const settle = (day: string) =>
		void fetcher.submit(
			{ intent: 'settle', taskId, courseId: String(courseId), ...(day !== '' && { day }) },
			{ method: 'post' },
		)
	const problem = fetcher.state === 'idle' && fetcher.data?.refused ? fetcher.data.message : undefined
	return (
		<div className="prep-choice no-print">
			{isOpen ? (
				<>
					<label htmlFor={id} className="soft small">
						on <span className="hidden-words">which day: {words}</span>
					</label>
					<DayInput
						isQuiet
						id={id}
						value={start.date}
						onChange={(day) => day !== '' && day !== start.date && settle(day)}
					/>
				</>
			) : (
				<Button type="link" size="small" onClick={() => setOpen(true)} aria-label={`Another day: ${words}`}>
					another day
				</Button>
			)}
			{isSettled && (
				<Button type="link" size="small" onClick={() => settle('')}>
					whenever it is best
				</Button>
			)}
			{problem && (
				<span className="prep-late" role="alert">
					{problem}
				</span>
			)}
		</div>
	)
}
