/** The sessions of a course as they are taught: which to open, which is going on, which is over. */
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { clock, longDay, sessionName } from '../../../shared/words/times'
import { listRunStates } from '../../../../db/repositories/runs.server'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { id, sessions } = await courseOfPage(context, params)
		const states = await listRunStates(studio.id, id)
		return {
			courseId: id,
			sessions: sessions.map(({ date, startMin, endMin }, s) => {
				return { number: s + 1, date, startMin, endMin, state: states[s + 1] ?? ('to come' as const) }
			}),
		}
	})
}

const PRESS = { 'to come': 'Open', 'going on': 'Go on', over: 'What was' } as const

export default function CourseRunsPage({ loaderData: { courseId, sessions } }: Route.ComponentProps) {
	return (
		<section className="sheet" aria-labelledby="teach">
			<h2 id="teach">Teach</h2>
			<p className="soft">
				On the tablet one press carries the evening: “most are done”. The wall is for a second screen that students
				read; it follows by itself, and shows neither names nor how late it is.
			</p>
			<ul className="plain-list">
				{sessions.map(({ number, date, startMin, endMin, state }) => (
					<li key={number} className="row">
						<b>{sessionName(startMin, number)}</b>
						<span className="soft">
							{longDay(date)}, {clock(startMin)} to {clock(endMin)}
							{state !== 'to come' && `: ${state}`}
						</span>
						<LinkButton to={`/courses/${courseId}/run/${number}`} type={state === 'over' ? 'default' : 'primary'}>
							{PRESS[state]}
						</LinkButton>
						<LinkButton to={`/courses/${courseId}/run/${number}/wall`}>Wall</LinkButton>
					</li>
				))}
			</ul>
		</section>
	)
}
