/** A course from a file, with its pins, its plan and its people; what the studio has already is used, and nothing of it is changed. */
import type { Course } from '../../core/course/course'
import { giveKeys } from '../../core/course/course-items'
import { freshId } from '../../core/design/edits/fresh-id'
import type { Design } from '../../core/design/design'
import { InputError } from '../../core/errors'
import { isSameData } from '../../core/sorted-keys'
import { inTransaction } from '../../db/connection.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { createDesign, listDocuments, listVersions } from '../../db/repositories/designs.server'
import { listPlaces } from '../../db/repositories/places.server'
import { readCourseDocument, type CourseDocument } from '../../exchange/course/course-document'
import { createCourseLike } from '../plan/save-course.server'

/**
 * @param text - of the file
 * @returns the id of the new course
 * @throws {InputError} it is no course, each problem by JSON pointer
 */
export async function importCourse(studio: Studio, text: string): Promise<number> {
	const document = readCourseDocument(parse(text))
	const ids = await takeDesigns(studio.id, document.designs)
	const course = await placeCourse(studio, document, ids)
	return createCourseLike(studio, course, { plan: document.plan, people: document.students })
}

function parse(text: string): unknown {
	try {
		return JSON.parse(text)
	} catch (cause) {
		throw new InputError([{ path: 'text', message: 'This file is no JSON.' }], { cause })
	}
}

/** By the id in the file: the id that the design has in the studio's book, where it is written down if it is not there yet. */
async function takeDesigns(studioId: number, designs: readonly Design[]): Promise<Map<string, string>> {
	const own = await listDocuments(studioId)
	return inTransaction(async (transaction) => {
		const taken = [...(await listVersions(studioId)).keys()].map((id) => ({ id }))
		const ids = new Map<string, string>()
		for (const design of designs) {
			if (ids.has(design.id)) continue
			// Taken in once before it has an id of its own, where that was taken.
			const known = own.find((other) => isSameData({ ...other, id: design.id }, design))
			const id = known?.id ?? freshId(design.id, taken)
			ids.set(design.id, id)
			if (known) continue
			taken.push({ id })
			await createDesign(studioId, { ...design, id }, transaction)
		}
		return ids
	})
}

/** Items keep their keys, by which pins and waits know them; rooms and the store are the studio's of the same name. */
async function placeCourse(
	studio: Studio,
	{ course, terms }: CourseDocument,
	ids: ReadonlyMap<string, string>,
): Promise<Course> {
	const places = await listPlaces(studio.id)
	const placeOf = (id: number | undefined, kind: 'room' | 'store') => {
		const name = terms.places.find((place) => place.id === id)?.name
		return places.find((place) => place.kind === kind && place.name === name)?.id
	}
	const { storeId, sessions, designs, ...plain } = course
	const store = placeOf(storeId, 'store')
	return {
		...plain,
		...(store !== undefined && { storeId: store }),
		designs: giveKeys(designs).map((item) => ({ ...item, designId: ids.get(item.designId) ?? item.designId })),
		sessions: sessions.map(({ roomId, ...session }) => {
			const room = placeOf(roomId, 'room')
			return { ...session, ...(room !== undefined && { roomId: room }) }
		}),
	}
}
