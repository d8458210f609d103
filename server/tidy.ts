/** What goes by itself when its time has come. Several nodes may do it at once: what is gone is gone. */
import { today } from '../app/shared/http/studio-clock.server'
import { log } from '../app/shared/http/log.server'
import { deleteDueStudios } from '../db/repositories/accounts.server'
import { deleteStudents, listOverdueCourses } from '../db/repositories/students.server'

/** Deletes studios that were not taken back, and the people of courses that are over for long enough. Never throws. */
export async function tidyUp(now = new Date()): Promise<void> {
	try {
		for (const studioId of await deleteDueStudios(now)) log.info({ studioId }, 'a studio was deleted')
		for (const { id, studioId } of await listOverdueCourses(today)) {
			await deleteStudents(studioId, id)
			log.info({ studioId, courseId: id }, 'people of a course were forgotten')
		}
	} catch (error) {
		// Next time.
		log.error({ err: error }, 'what is over could not be deleted')
	}
}
