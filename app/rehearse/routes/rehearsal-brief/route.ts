/** What other pages say of a course's rehearsal: asked for when they stand already, and played in a thread. */
import { LRUCache } from 'lru-cache'
import { USUAL_TERMS } from '../../../../core/rehearse/script'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { keyOf } from '../../../shared/http/remember.server'
import { loading } from '../../../shared/http/responses.server'
import { solve } from '../../../plan/solving/solver-pool.server'
import { readRehearsal } from '../../read-rehearsal.server'
import type { RehearsalBrief } from '../../../shared/schemas/rehearsal-brief'
import type { Route } from './+types/route'

/** Half of the interval's width is below five points then. */
const CLASSES = 400
const TIME_MS = 5_000

/** By all that was played: a plan is looked at many times. */
const known = new LRUCache<string, Promise<RehearsalBrief>>({ max: 200 })

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { played } = await readRehearsal(studio, await courseOfPage(context, params))
		if (!played) return Response.json({} satisfies RehearsalBrief)
		const { script, sessions } = played
		const key = keyOf([studio.id, script, sessions])
		const brief = known.get(key) ?? playBrief(studio.id, script, sessions)
		known.set(key, brief)
		// What failed is asked for anew.
		brief.catch(() => known.delete(key))
		return Response.json(await brief)
	})
}

type Played = NonNullable<Awaited<ReturnType<typeof readRehearsal>>['played']>

async function playBrief(
	studioId: number,
	script: Played['script'],
	sessions: Played['sessions'],
): Promise<RehearsalBrief> {
	const job = { kind: 'rehearse' as const, script, terms: USUAL_TERMS, classCount: CLASSES, timeMs: TIME_MS }
	const figures = await solve(studioId, job)
	const { tightest, eveningShare, lost } = figures
	const tight = tightest === undefined ? undefined : figures.sessions[tightest]
	const date = sessions[tightest ?? 0]?.date ?? ''
	return {
		eveningShare,
		...(tight && { tight: { date, share: tight.onTime.share } }),
		toolMinutes: Object.fromEntries(script.tools.map(({ name }, t) => [name, lost.tools[t] ?? 0])),
	}
}
