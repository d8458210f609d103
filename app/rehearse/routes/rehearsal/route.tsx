/** The class before the class: how sure each evening's end is, who will be late, what minutes are lost to, what would help. */
import { useMemo } from 'react'
import { Rehearsal } from '../../../../core/rehearse/rehearsal'
import { KitNotices } from '../../../kit/components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { readRehearsal, type PlayedCourse } from '../../read-rehearsal.server'
import { levelOf, readAssumptions, termsOf } from '../../schemas/assumptions'
import type { Route } from './+types/route'
import { AdviceList } from './advice-list'
import { AssumptionsForm } from './assumptions-form'
import { Evenings } from './evenings'
import { LostMinutes } from './lost-minutes'
import { Places } from './places'
import { RehearsalAnswer } from './rehearsal-answer'
import { useTaking } from './use-taking'
import { useRehearsal } from './use-rehearsal'
import './rehearsal.css'

/** Played before the page comes, so that it comes with an answer. */
const FIRST_CLASSES = 60

export function loader({ request, params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { assumptions, problems } = readAssumptions(new URL(request.url).searchParams)
		const { state, played } = await readRehearsal(studio, await courseOfPage(context, params), levelOf(assumptions))
		const terms = termsOf(assumptions)
		if (!played) return { state, assumptions, problems, terms }
		const rehearsal = new Rehearsal(played.script, terms)
		rehearsal.play(FIRST_CLASSES)
		return { state, assumptions, problems, terms, played, first: rehearsal.figures() }
	})
}

type RehearsalData = Route.ComponentProps['loaderData']

export default function RehearsalPage({ loaderData }: Route.ComponentProps) {
	const { state, played, first } = loaderData
	return (
		<KitNotices state={state}>
			{played && first && <PlayedRehearsal data={loaderData} played={played} first={first} />}
		</KitNotices>
	)
}

function PlayedRehearsal({
	data: { terms, assumptions, problems, state },
	played,
	first,
}: {
	data: RehearsalData
	played: PlayedCourse
	first: NonNullable<RehearsalData['first']>
}) {
	const asked = useMemo(
		() => ({
			...{ script: played.script, terms, first, courseId: state.courseId },
			people: { owned: played.owned, levels: played.levels, speeds: played.speeds },
			isCurrent: !state.isOutdated,
		}),
		[played, terms, first, state],
	)
	const { figures, tried, hasFailed } = useRehearsal(asked)
	const taking = useTaking(state.courseId, played)
	return (
		<>
			<RehearsalAnswer figures={figures} sessions={played.sessions} mostShare={terms.mostShare} />
			<AdviceList {...{ tried, hasFailed, played, taking }} isOutdated={state.isOutdated} />
			<Evenings figures={figures} played={played} taking={taking} />
			<LostMinutes lost={figures.lost} tools={played.script.tools} />
			<Places figures={figures} sessions={played.sessions} studentNames={played.studentNames} />
			<AssumptionsForm assumptions={assumptions} problems={problems} />
		</>
	)
}
