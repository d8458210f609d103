/** Everybody whom a studio knows from its classes, with all that it knows of each. */
import { personOf } from '../../core/learn/student-speed'
import { addMonths } from '../../core/time/calendar'
import type { Studio } from '../../db/repositories/accounts.server'
import { listStudentSpeeds } from '../../db/repositories/student-speeds.server'
import { listStudents } from '../../db/repositories/students.server'
import { needWords } from '../kit/words/people'
import { speedWords } from '../learn/words/log'

export interface KnownPerson {
	/** By which she is known again. */
	person: string
	name: string
	courses: { id: number; name: string }[]
	/** What her kits are packed by, each once. */
	needs: string[]
	pace: string | undefined
	/** YYYY-MM-DD: when all of it is gone by itself; undefined: it stays. */
	until: string | undefined
}

/** By name. */
export async function listKnownPeople({ id, peopleMonths }: Studio): Promise<KnownPerson[]> {
	const [listed, speeds] = await Promise.all([listStudents(id), listStudentSpeeds(id)])
	const people = new Map<string, KnownPerson>()
	const known = (name: string) => {
		const person = personOf(name)
		const before = people.get(person)
		if (before) return before
		const made: KnownPerson = { person, name, courses: [], needs: [], pace: undefined, until: undefined }
		people.set(person, made)
		return made
	}
	for (const { courseId, courseName, lastDate, student } of listed) {
		const { name, ...rest } = student
		const own = known(name)
		if (!own.courses.some((course) => course.id === courseId)) own.courses.push({ id: courseId, name: courseName })
		const needs = needWords(rest)
		if (needs !== '' && !own.needs.includes(needs)) own.needs.push(needs)
		const until = peopleMonths > 0 && lastDate ? addMonths(lastDate, peopleMonths) : undefined
		if (until && until > (own.until ?? '')) own.until = until
	}
	for (const speed of speeds) known(speed.name).pace = speedWords(speed)
	return [...people.values()].toSorted((a, b) => a.person.localeCompare(b.person))
}
