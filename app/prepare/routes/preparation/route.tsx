/** What is to be done before class: of all coming courses, with its waits, in one pair of hands' free time, by day, week and month. */
import { Button } from 'antd'
import { useEffect } from 'react'
import { Form, Link, useRevalidator } from 'react-router'
import { withSpan } from '../../../../core/prepare/find-relief'
import { toMoment } from '../../../../core/time/wall-clock'
import { addDays, isCalendarDate } from '../../../../core/time/calendar'
import { getFreeTime, keepFreeTime } from '../../../../db/repositories/accounts.server'
import { findFeed, makeFeed, revokeFeed } from '../../../../db/repositories/calendars.server'
import { markDone } from '../../../../db/repositories/prep-marks.server'
import { LinkButton } from '../../../shared/components/link-button'
import { OptionLink } from '../../../shared/components/option-link'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { studioNow, wallNow } from '../../../shared/http/studio-clock.server'
import { count, duration, longDay, shortDay } from '../../../shared/words/times'
import { loadPreparation } from '../../load-preparation.server'
import { moveTask } from '../../move-task.server'
import { preparationActions } from '../../schemas/preparation'
import type { Route } from './+types/route'
import { nextMonth, toCalendarView, VIEWS, type CalendarData } from './calendar-view'
import { FeedSheet } from './feed-sheet'
import { PrepDays } from './prep-days'
import { PrepWeeks } from './prep-weeks'
import './preparation.css'

export function meta() {
	return [{ title: 'The days before · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const member = context.get(memberContext)
		const now = wallNow(member.studio.timeZone)
		const { searchParams } = new URL(request.url)
		const view = VIEWS.find((one) => one === searchParams.get('view')) ?? 'days'
		const asked = searchParams.get('from') ?? ''
		const [preparation, feedMadeAt] = await Promise.all([loadPreparation(member, now), findFeed(member.userId)])
		const from = isCalendarDate(asked) ? asked : now.slice(0, 10)
		return { ...toCalendarView(preparation, view, from), feedMadeAt: feedMadeAt?.toISOString().slice(0, 10) }
	})
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const member = context.get(memberContext)
		const { studio, userId } = member
		const input = await readIntent(request, preparationActions)
		switch (input.intent) {
			case 'done':
			case 'undone':
				await markDone(studio.id, input, input.intent === 'done' ? studioNow(studio.timeZone) : undefined)
				break
			case 'settle':
				await moveTask(member, input, wallNow(studio.timeZone))
				break
			case 'more-time':
				await keepFreeTime(userId, withSpan(await getFreeTime(userId), input.date, input))
				break
			case 'longer-days':
				await keepFreeTime(userId, { ...(await getFreeTime(userId)), mostMinutesADay: input.mostMinutesADay })
				break
			case 'make-feed': {
				const token = await makeFeed(userId, new Date())
				return { done: input.intent, feed: `${new URL(request.url).origin}/calendars/${token}.ics` }
			}
			case 'revoke-feed':
				await revokeFeed(userId)
		}
		return { done: input.intent, feed: undefined }
	})
}

const VIEW_WORDS = { days: 'Days', week: 'Week', month: 'Month' } as const

export default function PreparationPage({ loaderData, actionData }: Route.ComponentProps) {
	const { view, from, days, weeks, isImproving, pendingCount } = loaderData
	useImproved(isImproving || pendingCount > 0)
	return (
		<>
			<div className="page-head">
				<h1>The days before</h1>
				<p className="soft">{headWords(loaderData)}</p>
				<div className="row push no-print">
					<LinkButton to="free-time">Your free time</LinkButton>
				</div>
			</div>
			{actionData && 'refused' in actionData && (
				<p className="alert" role="alert">
					{actionData.message}
				</p>
			)}
			<Misfits data={loaderData} />
			<nav className="row prep-views no-print" aria-label="How the days are shown">
				{VIEWS.map((one) => (
					<OptionLink key={one} to={`?view=${one}&from=${from}`} isCurrent={one === view}>
						{VIEW_WORDS[one]}
					</OptionLink>
				))}
				{view !== 'days' && <Paging view={view} from={from} />}
			</nav>
			{view === 'days' ? <PrepDays days={days} data={loaderData} /> : <PrepWeeks weeks={weeks} data={loaderData} />}
			{pendingCount > 0 && (
				<p className="soft small" role="status">
					{count(pendingCount, 'course is', 'courses are')} still being looked at, and will stand here by itself.
				</p>
			)}
			{isImproving && (
				<p className="soft small" role="status">
					A better order of it is being looked for, and will stand here by itself.
				</p>
			)}
			{!isImproving && loaderData.minutesLaid > 0 && loaderData.isAllInTime && (
				<p className="soft small">{proofWords(loaderData)}</p>
			)}
			<FeedSheet
				madeAt={loaderData.feedMadeAt}
				made={actionData && 'feed' in actionData ? actionData.feed : undefined}
			/>
		</>
	)
}

/** Asks again while a better one is looked for. */
const ASK_MS = 1500

function useImproved(isImproving: boolean): void {
	const { revalidate, state } = useRevalidator()
	useEffect(() => {
		if (!isImproving) return
		const timer = setInterval(() => state === 'idle' && void revalidate(), ASK_MS)
		return () => clearInterval(timer)
	}, [isImproving, revalidate, state])
}

function headWords({ minutesLaid, dryingNow }: CalendarData): string {
	const work = minutesLaid === 0 ? 'nothing is to be prepared' : `${duration(minutesLaid)} of your time`
	return dryingNow.length === 0 ? work : `${work}; drying now: ${dryingNow.map(({ words }) => words).join('; ')}`
}

function Paging({ view, from }: { view: 'week' | 'month'; from: string }) {
	const [before, after] =
		view === 'week'
			? [addDays(from, -7), addDays(from, 7)]
			: [`${addDays(`${from.slice(0, 7)}-01`, -1).slice(0, 7)}-01`, nextMonth(from)]
	return (
		<>
			<Link className="option-link push" to={`?view=${view}&from=${before}`} preventScrollReset>
				← before
			</Link>
			<strong>
				{view === 'week'
					? `Week of ${longDay(from)}`
					: longDay(`${from.slice(0, 7)}-01`)
							.split(' ')
							.at(-1)}
			</strong>
			<Link className="option-link" to={`?view=${view}&from=${after}`} preventScrollReset>
				after →
			</Link>
		</>
	)
}

/** Of what has no place; what is to be done about it does not hang on the rest. */
const UNPLACED_SHOWN = 12

/** What has no place, what cannot all be in time and what would help, and courses that cannot be prepared yet. */
function Misfits({
	data: { overload, unplaced, relief, withoutPlan, isAllInTime, isHelpable },
}: {
	data: CalendarData
}) {
	return (
		<div className="prep-notices">
			{overload && <OverloadNotice overload={overload} />}
			{!overload && !isAllInTime && (
				<p className="alert" role="status">
					Not all of it is in time as it lies here.
				</p>
			)}
			{unplaced.length > 0 && (
				<div className="alert" role="status">
					<p>No free time was found for:</p>
					<ul>
						{unplaced.slice(0, UNPLACED_SHOWN).map(({ id, words, minutes }) => (
							<li key={id}>
								{words}, {duration(minutes)}
							</li>
						))}
						{unplaced.length > UNPLACED_SHOWN && <li>and {unplaced.length - UNPLACED_SHOWN} more</li>}
					</ul>
				</div>
			)}
			{isHelpable && relief && <ReliefList relief={relief} />}
			{withoutPlan.map(({ id, name }) => (
				<p key={id} className="told">
					{name} has no plan that fits yet: nothing of it is laid here.{' '}
					<Link to={`/courses/${id}/plan`}>Look at its plan</Link>
				</p>
			))}
		</div>
	)
}

/** Each was tried: with it everything is in time. */
function ReliefList({ relief }: { relief: NonNullable<CalendarData['relief']> }) {
	if (relief.length === 0)
		return (
			<p className="told">
				No single change of your time brings all of it in time: a smaller set, or an earlier order, would.
			</p>
		)
	return (
		<section className="sheet prep-relief" aria-label="What would help">
			<h2>Any one of these would bring all of it in time</h2>
			<ul>
				{relief.map((one) => (
					<li key={one.words} className="row">
						<span>{one.words}</span>
						{one.kind !== 'helper' && (
							<Form method="post">
								<input type="hidden" name="intent" value={one.kind === 'more time' ? 'more-time' : 'longer-days'} />
								{one.kind === 'more time' ? (
									<>
										<input type="hidden" name="date" value={one.date} />
										<input type="hidden" name="startMin" value={one.span.startMin} />
										<input type="hidden" name="endMin" value={one.span.endMin} />
									</>
								) : (
									<input type="hidden" name="mostMinutesADay" value={one.mostMinutesADay} />
								)}
								<Button htmlType="submit">Take it</Button>
							</Form>
						)}
					</li>
				))}
			</ul>
		</section>
	)
}

function OverloadNotice({ overload }: { overload: NonNullable<CalendarData['overload']> }) {
	const { tasks, from, until, lackingMinutes } = overload
	return (
		<p className="alert" role="status">
			{toMoment(until) <= toMoment(from)
				? `Should have been done before today: ${tasks.join('; ')}.`
				: `It cannot all be in time: ${count(tasks.length, 'thing')} must lie between ${shortDay(from.date)} and ${shortDay(until.date)}, and ${duration(lackingMinutes)} are lacking.`}
		</p>
	)
}

/** How good it is, where all is in time: what is proven, in words. */
function proofWords({ proven }: CalendarData): string {
	if (proven.includes('drying')) return 'All of it is in time, on as few days as can be: proven.'
	return proven.includes('days')
		? 'All of it is in time, on as few days as can be.'
		: 'All of it is in time; that it needs so many days is not proven.'
}
