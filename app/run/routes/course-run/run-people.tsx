import { Button, Segmented } from 'antd'
import { useState } from 'react'
import { ATTENDANCES, type Attendance } from '../../../../core/run/run-event'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { hereWords } from '../../words/run'

/** Who is here: told in one line, and each student's presses for who wants to say it. */
export function RunPeople({ page, run: { desk, state } }: { page: RunPage; run: Run }) {
	const [isOpen, setIsOpen] = useState(false)
	return (
		<>
			<Button type="text" className="run-here" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
				{hereWords(state, page.students.length)}
			</Button>
			{isOpen && (
				<ul className="run-people">
					{page.students.map((name, place) => (
						<li key={place}>
							<span id={`place-${place}`}>{name}</span>
							<Segmented<Attendance>
								aria-labelledby={`place-${place}`}
								options={[...ATTENDANCES]}
								value={state.attendance.get(place)?.is ?? 'here'}
								onChange={(is) => desk.write({ type: 'attendance', place, is })}
							/>
						</li>
					))}
				</ul>
			)}
		</>
	)
}
