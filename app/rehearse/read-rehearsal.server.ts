/** What a course's rehearsal plays, from its newest plan, its people and the tools on the shelf. */
import { ownedToolsOf } from '../../core/kit/stock'
import { handsOnSpan } from '../../core/course/session-hours'
import type { Script } from '../../core/rehearse/script'
import { writeScript } from '../../core/rehearse/write-script'
import type { StoredCourse } from '../../db/repositories/courses.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { readKit, type KitState } from '../kit/read-kit.server'
import { nameOfTask } from '../plan/words/tasks'

export interface PlayedCourse {
	script: Script
	sessions: { date: string; startMin: number; openMin: number }[]
	/** By id of a task. */
	names: Record<string, string>
}

/** @returns without `played` where there is no plan */
export async function readRehearsal(
	studio: Studio,
	course: StoredCourse,
): Promise<{ state: KitState; played: PlayedCourse | undefined }> {
	const { coursePlan, designs, roster, stock, state } = await readKit(studio, course)
	const { compiled, plan } = coursePlan
	if (!plan) return { state, played: undefined }
	const tools = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	return {
		state,
		played: {
			script: writeScript({
				...{ course, designs, compiled, plan },
				owned: ownedToolsOf(stock, tools),
				levels: roster.map(({ level }) => level),
			}),
			sessions: course.sessions.map((session) => ({
				date: session.date,
				startMin: session.startMin,
				openMin: handsOnSpan(session).open,
			})),
			names: Object.fromEntries(Object.entries(compiled.tasks).map(([id, source]) => [id, nameOfTask(source)])),
		},
	}
}
