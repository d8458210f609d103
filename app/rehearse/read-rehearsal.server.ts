/** What a course's rehearsal plays, from its newest plan, its people and the tools on the shelf. */
import { giveKeys, nameItems } from '../../core/course/course-items'
import { handsOnSpan } from '../../core/course/session-hours'
import type { Pace, Session } from '../../core/course/course'
import { ownedToolsOf } from '../../core/kit/stock'
import type { Student } from '../../core/kit/student'
import { personOf } from '../../core/learn/student-speed'
import { wantedBuffer } from '../../core/rehearse/course-changes'
import type { Script } from '../../core/rehearse/script'
import { writeScript, type PlannedCourse } from '../../core/rehearse/write-script'
import type { StoredCourse } from '../../db/repositories/courses.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { listStudentSpeeds } from '../../db/repositories/student-speeds.server'
import { readKit, type CurrentKit, type KitState } from '../kit/read-kit.server'
import { nameOfTask } from '../plan/words/tasks'

/** Words for what a change speaks of. */
export interface CourseNames {
	/** By id. */
	tasks: Record<string, string>
	/** By key of the item. */
	items: Record<string, string>
	/** By `item/choice/option`. */
	options: Record<string, string>
	sessions: Session[]
}

export interface PlayedCourse extends Required<Pick<PlannedCourse, 'owned' | 'levels' | 'speeds'>> {
	script: Script
	sessions: {
		date: string
		startMin: number
		openMin: number
		/** That the plan was asked to leave spare. */
		wantedBuffer: number
	}[]
	names: CourseNames
	/** By place; empty: nobody is named yet. */
	studentNames: string[]
	planId: number
	/** Of the course. */
	version: number
}

/**
 * @param level - that everybody is taken to have; undefined: as is noted
 * @returns without `played` where there is no plan
 */
export async function readRehearsal(
	studio: Studio,
	course: StoredCourse,
	level?: Pace,
): Promise<{ state: KitState; played: PlayedCourse | undefined }> {
	const current = await readKit(studio, course)
	const { coursePlan, designs, roster, stock, state, planId } = current
	const { compiled, plan } = coursePlan
	if (!plan) return { state, played: undefined }
	const tools = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	const levels = level ? Array<Pace>(course.studentCount).fill(level) : roster.map((student) => student.level)
	const people = { owned: ownedToolsOf(stock, tools), levels, speeds: await readSpeeds(studio, roster) }
	return {
		state,
		played: {
			...people,
			script: writeScript({ course, designs, compiled, plan, ...people }),
			sessions: course.sessions.map((session, s) => ({
				date: session.date,
				startMin: session.startMin,
				openMin: handsOnSpan(session).open,
				wantedBuffer: wantedBuffer(compiled, s),
			})),
			names: namesOf(current),
			studentNames: roster.map(({ name }) => name),
			planId,
			version: course.version,
		},
	}
}

/** Of those who have come before, where the studio asks for it; children are none of them. */
export async function readSpeeds(studio: Studio, roster: readonly Student[]): Promise<(number | undefined)[]> {
	if (!studio.learnsStudents) return []
	const known = new Map((await listStudentSpeeds(studio.id)).map(({ person, factor }) => [person, factor.at]))
	return roster.map(({ name, isChild }) => (isChild ? undefined : known.get(personOf(name))))
}

function namesOf({ course, coursePlan, documents }: CurrentKit): CourseNames {
	const items = giveKeys(course.designs)
	const itemNames = nameItems(
		course.designs,
		documents.map(({ name }) => name),
	)
	const { tasks } = coursePlan.compiled
	return {
		tasks: Object.fromEntries(Object.entries(tasks).map(([id, source]) => [id, nameOfTask(source)])),
		items: Object.fromEntries(items.map(({ key }, d) => [key, itemNames[d] ?? key])),
		options: Object.fromEntries(
			items.flatMap(({ key }, d) =>
				(documents[d]?.choices ?? []).flatMap(({ id, name, options }) =>
					options.map((option) => [`${key}/${id}/${option.id}`, `${itemNames[d] ?? key}: ${option.name} (${name})`]),
				),
			),
		),
		sessions: course.sessions,
	}
}
