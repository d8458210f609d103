import { Button } from 'antd'
import { useState } from 'react'
import type { LastPress } from '../../device/use-last-press'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { AfterPress } from './after-press'

interface RunPressesProps {
	page: RunPage
	run: Run
	lastPress: LastPress
}

/** The presses that carry an evening; nothing but the first is needed. */
export function RunPresses({ page, run, lastPress }: RunPressesProps) {
	const { desk, state } = run
	const [showsStudents, setShowsStudents] = useState(false)
	const current = state.entries[state.current]
	if (state.opened === undefined)
		return (
			<div className="run-presses">
				<Button
					type="primary"
					className="run-press"
					onClick={() => desk.write({ type: 'opened', planId: page.planId })}
				>
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
	const press = (is: 'most' | 'all') => lastPress.tell(desk.write({ type: 'entry', entry, is }))
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
			<AfterPress page={page} run={run} press={lastPress} />
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
