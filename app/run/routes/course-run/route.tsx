/** The tablet of who teaches: what is going on, one big press, what dries, and what comes next. */
import { Link } from 'react-router'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { useAwake } from '../../device/use-awake'
import { useBell } from '../../device/use-bell'
import { useChance } from '../../device/use-chance'
import { useHygrometer } from '../../device/use-hygrometer'
import { useLastPress } from '../../device/use-last-press'
import { useRun } from '../../device/use-run'
import { useSignals } from '../../device/use-signals'
import { readRun, readRunKey, type RunPage } from '../../read-run.server'
import type { Route } from './+types/route'
import { LeftBehindLine } from './left-behind'
import { NowCard } from './now-card'
import { OffersCard } from './offers-card'
import { ReadyCard } from './ready-card'
import { RunBench } from './run-bench'
import { RunFoot } from './run-foot'
import { RunHead } from './run-head'
import { RunPresses } from './run-presses'
import { RunTrays } from './run-trays'
import './course-run.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: loaderData?.run ? `${loaderData.run.sessionName} · ${loaderData.run.courseName}` : 'Teach' }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { session } = readRunKey(params)
		return { courseId: params.courseId, run: await readRun(studio, await courseOfPage(context, params), session) }
	})
}

export default function CourseRunPage({ loaderData: { run, courseId } }: Route.ComponentProps) {
	const isHydrated = useHydrated()
	if (!run)
		return (
			<p className="sheet">
				This course has no plan yet: <Link to={`/courses/${courseId}/plan`}>plan it</Link>, then teach it.
			</p>
		)
	if (!isHydrated) return <LayingOut page={run} />
	return <Tablet key={`${run.courseId} ${run.session}`} page={run} />
}

function LayingOut({ page }: { page: RunPage }) {
	return <p className="run-waiting">{page.sessionName} is being laid out.</p>
}

function Tablet({ page }: { page: RunPage }) {
	const run = useRun(page, {
		address: `/courses/${page.courseId}/run/${page.session}`,
		studioId: page.studioId,
	})
	const { state, device } = run
	const lastPress = useLastPress()
	const bell = useBell()
	const chance = useChance(page, run)
	const isGoingOn = state.opened !== undefined && state.closed === undefined
	useAwake(isGoingOn)
	useHygrometer(page, run)
	useSignals(run.calls, bell.isOn ? bell.ring : undefined)
	// A press that nothing takes would be lost.
	if (!device.isReady) return <LayingOut page={page} />
	return (
		<div className="run-tablet">
			<RunHead page={page} run={run} chance={chance} />
			<RunBench page={page} run={run} />
			{device.trouble && (
				<p className="alert" role="alert">
					{device.trouble}
				</p>
			)}
			<NowCard page={page} run={run} />
			{state.closed === undefined && <RunPresses page={page} run={run} lastPress={lastPress} />}
			<LeftBehindLine page={page} run={run} />
			<OffersCard page={page} run={run} chance={chance} />
			{state.opened === undefined && <ReadyCard page={page} />}
			<RunTrays page={page} run={run} />
			<RunFoot page={page} run={run} lastPress={lastPress} bell={bell} />
		</div>
	)
}
