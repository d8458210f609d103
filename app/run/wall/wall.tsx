import { FigureView } from '../../shared/figure/figure-view'
import { useHydrated } from '../../shared/components/use-hydrated'
import { useRun, type Run, type RunLine } from '../device/use-run'
import type { WallRun } from './wall-run'
import { MinutesRing } from './minutes-ring'
import './wall.css'

interface WallProps {
	page: WallRun
	line: RunLine
}

/** For students, readable from six metres: the step, what to mind, minutes left, what comes next. */
export function Wall({ page, line }: WallProps) {
	const isHydrated = useHydrated()
	if (!isHydrated) return <h1 className="wall-quiet">{page.courseName}</h1>
	return <LiveWall key={line.address} page={page} line={line} />
}

function LiveWall({ page, line }: WallProps) {
	const run = useRun(page, line)
	const { state } = run
	const current = state.entries[state.current]
	if (state.opened === undefined) return <h1 className="wall-quiet">{page.courseName}: we begin soon.</h1>
	if (state.closed !== undefined || !current) return <h1 className="wall-quiet">All done. Thank you, and well made.</h1>
	return <WallStep page={page} run={run} current={current} />
}

interface WallStepProps {
	page: WallRun
	run: Run
	current: Run['state']['entries'][number]
}

function WallStep({ page, run, current }: WallStepProps) {
	const { state, projection } = run
	const card = page.cards[current.entry.id]
	const next = state.entries[state.current + 1]
	const minutes = current.entry.endMin - current.entry.startMin
	return (
		<div className="run-wall">
			{card?.figure ? <FigureView figure={card.figure} className="wall-figure" /> : <span />}
			<div className="wall-step">
				<p className="wall-over">{card?.over}</p>
				<h1>{card?.title}</h1>
				<p className="wall-sentence">{card?.sentence}</p>
				{card?.cautions[0] && <p className="wall-caution">{card.cautions[0]}</p>}
				<div className="wall-next">
					<MinutesRing left={projection.currentLeft ?? minutes} of={minutes} />
					<p>
						minutes left{next && ', then'}
						{next && <b>{page.cards[next.entry.id]?.title}</b>}
					</p>
				</div>
			</div>
		</div>
	)
}
