/** For students, on a second screen or a phone, readable from six metres: the step, what to mind, minutes left, what comes next. */
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { FigureView } from '../../../shared/figure/figure-view'
import { useRun, type Run } from '../../device/use-run'
import { readRun, readRunKey, type RunPage } from '../../read-run.server'
import type { Route } from './+types/route'
import { MinutesRing } from './minutes-ring'
import './run-wall.css'

export function meta() {
	return [{ title: 'The wall · Calycine' }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { session } = readRunKey(params)
		const run = await readRun(studio, await courseOfPage(context, params), session)
		return { run: run && toWallPage(run) }
	})
}

type WallPage = Omit<RunPage, 'script' | 'students' | 'problem'>

/** Names have no business on a wall, nor what tells how late it is. */
function toWallPage({ script: _, students: __, problem: ___, ...page }: RunPage): WallPage {
	return page
}

export default function RunWallPage({ loaderData: { run } }: Route.ComponentProps) {
	const isHydrated = useHydrated()
	if (!run || !isHydrated)
		return <h1 className="wall-quiet">{run ? run.courseName : 'Nothing is planned for this session.'}</h1>
	return <Wall page={run} />
}

function Wall({ page }: { page: WallPage }) {
	const run = useRun(page)
	const { state } = run
	const current = state.entries[state.current]
	if (state.opened === undefined) return <h1 className="wall-quiet">{page.courseName}: we begin soon.</h1>
	if (state.closed !== undefined || !current) return <h1 className="wall-quiet">All done. Thank you, and well made.</h1>
	return <WallStep page={page} run={run} current={current} />
}

interface WallStepProps {
	page: WallPage
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
