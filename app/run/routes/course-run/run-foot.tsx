import { Button } from 'antd'
import { useState } from 'react'
import { worksOfTask } from '../../../../core/plan/compile/compiled-course'
import { isPaused } from '../../../../core/run/fold-run'
import { countingEvents, type RunEvent } from '../../../../core/run/run-event'
import type { Bell } from '../../device/use-bell'
import type { LastPress } from '../../device/use-last-press'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { AirBox } from './air-box'
import { toolsAtHand } from './tools-at-hand'
import { NoteBox } from './note-box'
import { PhonesBox } from './phones-box'

interface RunFootProps {
	page: RunPage
	run: Run
	lastPress: LastPress
	bell: Bell
}

/** What is pressed now and then: back, a broken piece, who waits for a tool, a note, a pause, the bell, the wall. */
export function RunFoot({ page, run, lastPress, bell }: RunFootProps) {
	const { desk, device, state } = run
	const [isNoting, setIsNoting] = useState(false)
	const last = countingEvents(device.events).findLast((event) => event.type !== 'undo' && !isByItself(event))
	const current = state.entries[state.current]
	const source = current?.entry.source
	// Of two works by turns the first: the other is chosen beside what was pressed.
	const kind = (source?.type === 'step' && worksOfTask(source)[0]?.partName) || (current?.entry.id ?? 'piece')
	const tool = toolsAtHand(page, run)[0]
	const isStopped = isPaused(state)
	const isOpen = state.opened !== undefined && state.closed === undefined
	return (
		<footer className="run-foot">
			<Button disabled={!last} onClick={() => last && desk.write({ type: 'undo', of: last.id })}>
				Undo
			</Button>
			<Button disabled={!isOpen} onClick={() => lastPress.tell(desk.write({ type: 'broken', kind, count: 1 }))}>
				Broken piece
			</Button>
			<Button
				disabled={!isOpen || tool === undefined}
				onClick={() => tool !== undefined && lastPress.tell(desk.write({ type: 'waited', tool, count: 2 }))}
			>
				They wait
			</Button>
			<Button disabled={!isOpen} onClick={() => setIsNoting(true)}>
				Note
			</Button>
			<AirBox page={page} run={run} />
			<Button disabled={!isOpen} onClick={() => desk.write({ type: isStopped ? 'resumed' : 'paused' })}>
				{isStopped ? 'Go on' : 'Pause'}
			</Button>
			<Button aria-pressed={bell.isOn} onClick={bell.turn}>
				{bell.isOn ? 'Bell is on' : 'Bell is off'}
			</Button>
			<PhonesBox page={page} />
			<Button href={`/courses/${page.courseId}/run/${page.session}/wall`} target="_blank">
				Wall
			</Button>
			<NoteBox
				isOpen={isNoting}
				onClose={() => setIsNoting(false)}
				onNote={(text, photo) => void (photo ? desk.notePhoto(text, photo) : desk.write({ type: 'note', text }))}
			/>
		</footer>
	)
}

/** Nobody has pressed it. */
function isByItself(event: RunEvent): boolean {
	return event.type === 'reading' && event.by !== undefined
}
