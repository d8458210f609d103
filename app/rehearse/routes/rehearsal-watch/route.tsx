/** One class of the rehearsal, watched: the room from above, at speed, or told moment by moment. */
import { useMemo } from 'react'
import { Link } from 'react-router'
import { MOST_CLASSES } from '../../../../core/rehearse/rehearsal'
import { watchClass } from '../../../../core/rehearse/watched-class'
import { KitNotices } from '../../../kit/components/kit-notices/kit-notices'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { sessionName } from '../../../shared/words/times'
import { readRehearsal, type PlayedCourse } from '../../read-rehearsal.server'
import { levelOf, readAssumptions, termsOf } from '../../schemas/assumptions'
import type { Route } from './+types/route'
import { WatchedRoom } from './watched-room'
import './rehearsal-watch.css'

export function loader({ request, params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const search = new URL(request.url).searchParams
		const { assumptions } = readAssumptions(search)
		const { state, played } = await readRehearsal(studio, await courseOfPage(context, params), levelOf(assumptions))
		return {
			state,
			played,
			terms: termsOf(assumptions),
			classNumber: wholeOf(search.get('class'), MOST_CLASSES),
			session: wholeOf(search.get('session'), played?.sessions.length ?? 1),
			search: search.toString(),
		}
	})
}

/** From 1 to the most; what is no such number is 1. */
function wholeOf(text: string | null, most: number): number {
	const value = Number(text)
	return Number.isInteger(value) && value >= 1 && value <= most ? value : 1
}

export default function RehearsalWatchPage({ loaderData }: Route.ComponentProps) {
	const { state, played } = loaderData
	return <KitNotices state={state}>{played && <Watched data={loaderData} played={played} />}</KitNotices>
}

function Watched({ data, played }: { data: Route.ComponentProps['loaderData']; played: PlayedCourse }) {
	const { terms, classNumber, session, search, state } = data
	const sessions = useMemo(() => watchClass(played.script, terms, classNumber - 1), [played, terms, classNumber])
	const watched = sessions[session - 1]
	const to = (change: Record<string, number>) => {
		const next = new URLSearchParams(search)
		for (const [key, value] of Object.entries(change)) next.set(key, String(value))
		return `?${next}`
	}
	return (
		<section className="sheet" aria-labelledby="watched">
			<h2 id="watched">One class, watched</h2>
			<p className="soft">
				Class {classNumber} of the <Link to={`/courses/${state.courseId}/rehearsal`}>rehearsal</Link>: the same number,
				the same luck.
			</p>
			<p className="row no-print">
				{played.sessions.map(({ startMin, date }, s) => (
					<LinkButton
						key={date + startMin}
						to={to({ session: s + 1 })}
						type={s + 1 === session ? 'primary' : 'default'}
						{...(s + 1 === session && { 'aria-current': 'true' as const })}
						preventScrollReset
					>
						{sessionName(startMin, s + 1)}
					</LinkButton>
				))}
				<LinkButton to={to({ class: (classNumber % MOST_CLASSES) + 1 })} preventScrollReset>
					Another class
				</LinkButton>
			</p>
			{watched && <WatchedRoom key={`${classNumber} ${session}`} watched={watched} session={session} played={played} />}
		</section>
	)
}
