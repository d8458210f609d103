import { Button } from 'antd'
import { useEffect, useState } from 'react'
import type { RunEvent } from '../../../../core/run/run-event'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

/** So long “five minutes ago” stands beside a press. */
const AGO_MS = 10_000
const MINUTE_MS = 60_000

/** The presses that carry an evening; nothing but the first is needed. */
export function RunPresses({ page, run }: { page: RunPage; run: Run }) {
	const { desk, state } = run
	const [last, setLast] = useState<RunEvent>()
	const [showsStudents, setShowsStudents] = useState(false)
	useEffect(() => {
		if (!last) return
		const timer = setTimeout(() => setLast(undefined), AGO_MS)
		return () => clearTimeout(timer)
	}, [last])
	const current = state.entries[state.current]
	if (state.opened === undefined)
		return (
			<div className="run-presses">
				<Button type="primary" className="run-press" onClick={() => desk.write({ type: 'opened' })}>
					We begin
				</Button>
			</div>
		)
	if (!current)
		return (
			<div className="run-presses">
				<Button type="primary" className="run-press" onClick={() => desk.write({ type: 'closed' })}>
					Close the session
				</Button>
			</div>
		)
	const entry = current.entry.id
	const isStep = current.entry.kind === 'step'
	const press = (is: 'most' | 'all') => setLast(desk.write({ type: 'entry', entry, is }))
	const ago = (minutes: number) => {
		if (!last) return
		const { id, device: _, seq: __, at: ___, runId: ____, when, ...fact } = last
		desk.write({ type: 'undo', of: id })
		setLast(desk.write(fact, when - minutes * MINUTE_MS))
	}
	return (
		<>
			<div className="run-presses">
				<Button type="primary" className="run-press" onClick={() => press('most')}>
					{isStep ? 'Most are done' : 'Go on'}
				</Button>
				{isStep && (
					<Button className="run-press" onClick={() => press('all')}>
						All are done
					</Button>
				)}
			</div>
			<div className="run-ago" role="status">
				{last && (
					<>
						<span>It was</span>
						<Button onClick={() => ago(5)}>5 min ago</Button>
						<Button onClick={() => ago(10)}>10 min ago</Button>
					</>
				)}
			</div>
			{isStep && (
				<Button type="text" aria-expanded={showsStudents} onClick={() => setShowsStudents(!showsStudents)}>
					Who is done?
				</Button>
			)}
			{isStep && showsStudents && (
				<div className="run-students">
					{page.students.map((name, place) => {
						const isDone = current.students.has(place)
						return (
							<Button
								key={place}
								aria-pressed={isDone}
								className={isDone ? 'is-done' : ''}
								onClick={() => desk.write({ type: 'student', entry, place })}
							>
								{isDone && '✓ '}
								{name}
							</Button>
						)
					})}
				</div>
			)}
		</>
	)
}
