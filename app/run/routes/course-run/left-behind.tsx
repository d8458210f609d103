import { Button } from 'antd'
import { useState } from 'react'
import { whoIsLeftBehind } from '../../../../core/run/left-behind'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

/** Somebody is not done where the others are: told without a name, which is for who asks for it. */
export function LeftBehindLine({ page, run: { state, desk } }: { page: RunPage; run: Run }) {
	const { tasks } = page.problem.compiled.instance
	const left = whoIsLeftBehind(state, page.students.length, tasks)
	const [shownFor, setShownFor] = useState<string>()
	if (!left || state.closed !== undefined) return null
	const { id } = left.entry.entry
	const isShown = shownFor === id
	return (
		<div className="run-left">
			<p>
				{left.places.length === 1 ? 'One is' : 'Two are'} not done with “{page.cards[id]?.title}”, which may be finished
				at home.
			</p>
			{!isShown && <Button onClick={() => setShownFor(id)}>Who?</Button>}
			{isShown &&
				left.places.map((place) => (
					<Button key={place} onClick={() => desk.write({ type: 'home', entry: id, place })}>
						{page.students[place]} finishes it at home
					</Button>
				))}
		</div>
	)
}
