/** What past classes have taught: beliefs with their doubt, whether they are any good, and each class as it was. */
import { ForbiddenError } from '../../../../core/errors'
import { isAtLeast } from '../../../../core/vocabulary/role'
import { DownloadOutlined } from '@ant-design/icons'
import { lazy, Suspense } from 'react'
import { useSubmit } from 'react-router'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { CsvFile } from '../../../shared/components/csv-file'
import { useHydrated } from '../../../shared/components/use-hydrated'
import type { RatioDot } from '../../components/ratio-chart'
import { changeLog, type LogAnswer } from '../../change-log.server'
import { loadLog, type LoggedClass } from '../../load-log.server'
import { logActions } from '../../schemas/log'
import { goodnessWords, thirdsWords } from '../../words/log'
import type { Route } from './+types/route'
import { AdviceList } from './advice-list'
import { BelievedList } from './believed-list'
import { ClassList } from './class-list'
import { PartList } from './part-list'
import { PlansSheet } from './plans-sheet'
import { StudentsSheet } from './students-sheet'
import '../../components/log.css'
import { FileLink } from '../../../shared/components/file-link'

const RatioChart = lazy(() => import('../../components/ratio-chart'))

export function meta() {
	return [{ title: 'The log · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio, role } = context.get(memberContext)
		const isOwner = isAtLeast(role, 'owner')
		const { students, ...log } = await loadLog(studio)
		// What is known of single people is for owners alone.
		return { ...log, isOwner, ...(isOwner && students && { students }) }
	})
}

const OF_OWNERS: ReadonlySet<string> = new Set(['learn-students', 'forget-student'])

/** A file of 4 MB in a field of a form. */
const LARGEST_FILE = 4_600_000

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const action = await readIntent(request, logActions, { maxBytes: LARGEST_FILE })
		const { studio, role } = context.get(memberContext)
		if (OF_OWNERS.has(action.intent) && !isAtLeast(role, 'owner'))
			throw new ForbiddenError('Whether people are learnt of is for an owner of the studio to say.')
		return changeLog(studio, action)
	})
}

type Answer = LogAnswer & { message?: string; problems?: { path: string; message: string }[] }

export default function LogPage({ loaderData, actionData }: Route.ComponentProps) {
	const { techniques, steps, parts, pastes, figures, classes } = loaderData
	return (
		<>
			<div className="page-head">
				<h1>The log</h1>
				<LogFiles />
			</div>
			<div className="stack">
				<LogTold answer={(actionData ?? {}) as Answer} />
				<Goodness {...loaderData} />
				<AdviceList advice={loaderData.advice} />
				{techniques.length > 0 && (
					<BelievedList
						title="Techniques"
						about="against the minutes that are stated"
						kind="technique"
						list={techniques}
					/>
				)}
				{steps.length > 0 && <BelievedList title="Steps" about="the surest to differ first" kind="step" list={steps} />}
				{parts.length > 0 && <PartList parts={parts} />}
				{pastes.length > 0 && (
					<BelievedList title="Paste" about="used against what is reckoned" middle="as reckoned" list={pastes} />
				)}
				{figures.count > 0 && <PlansSheet since={loaderData.plansSince} />}
				{loaderData.isOwner && <StudentsSheet students={loaderData.students} />}
				{classes.length > 0 && <ClassList classes={classes} />}
			</div>
		</>
	)
}

/** Is it any good? */
function Goodness({ figures, thirds, classes, hasExamples }: Route.ComponentProps['loaderData']) {
	const isAlive = useHydrated()
	return (
		<section className="sheet stack" aria-label="Is it any good?">
			<p className="log-answer">{goodnessWords(figures)}</p>
			{figures.count > 0 && <p className="soft">{thirdsWords({ figures, thirds })}</p>}
			{classes.length === 0 && (
				<p className="soft">
					A session that is taught on the tablet and closed leaves its real minutes here; one that is taught without it
					is told by hand, from the course’s page “Teach”. What is learnt from them stands beside what the designs
					state.
				</p>
			)}
			{hasExamples && (
				<p className="soft small">The classes of the past year are examples: made up, played from a hidden truth.</p>
			)}
			{figures.count > 0 && (
				<div className="log-chart">
					{isAlive && (
						<Suspense fallback={null}>
							<RatioChart
								classes={classes.toReversed().map(toDots)}
								across="evening after evening"
								up="real against foretold; lines: nine in ten"
							/>
						</Suspense>
					)}
				</div>
			)}
		</section>
	)
}

/** What is known to the minute, against what was foretold. */
function toDots({ occasions }: LoggedClass): RatioDot[] {
	return occasions.flatMap((own) => {
		if (own.kind !== 'minutes' || own.predicted === undefined || !own.ninety) return []
		const { from, to, predicted, ninety } = own
		if (to === null || from !== to) return []
		return [{ real: to / predicted, from: ninety[0] / predicted, to: ninety[1] / predicted }]
	})
}

/** What was done; or why it was not. */
function LogTold({ answer: { told, message, problems = [] } }: { answer: Answer }) {
	return (
		<>
			{told && (
				<p className="told" role="status">
					{told}
				</p>
			)}
			{message && (
				<div className="alert" role="alert">
					{problems.length === 0 ? message : problems.map((one) => <p key={one.message}>{one.message}</p>)}
				</div>
			)}
		</>
	)
}

function LogFiles() {
	const submit = useSubmit()
	return (
		<div className="row push no-print">
			<FileLink href="/log/files/log.csv" icon={<DownloadOutlined aria-hidden />}>
				As a file (CSV)
			</FileLink>
			<CsvFile label="From a file…" onText={(text) => void submit({ intent: 'import', text }, { method: 'post' })} />
		</div>
	)
}
