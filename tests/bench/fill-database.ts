/** Fills the demo's studio to 50 courses and so many designs (20 unless told), a very large one among them. */
import { ORDINARY_TERMS } from '../../core/plan/compile/drying-terms'
import { listPlaces } from '../../db/repositories/places.server'
import { planCourse } from '../../core/plan/plan-course'
import { closeDatabase, inTransaction, openDatabase } from '../../db/connection.server'
import { fingerprintOf } from '../../db/fingerprint.server'
import { DEMO_EMAIL } from '../../db/load-demo.server'
import { listStudiosByEmail } from '../../db/repositories/accounts.server'
import { listCourses } from '../../db/repositories/course-list.server'
import { createCourse, getCourse } from '../../db/repositories/courses.server'
import { createDesign, getDesigns, listDocuments } from '../../db/repositories/designs.server'
import { createPlan } from '../../db/repositories/plans.server'
import { largeDesign } from '../support/large-design'

const DESIGNS = Number(process.argv[2] ?? 20)
const COURSES = 50

openDatabase()
const [studioId = 0] = await listStudiosByEmail(DEMO_EMAIL)
const designs = await listDocuments(studioId)
const terms = { ...ORDINARY_TERMS, places: await listPlaces(studioId) }
if (!designs.some(({ id }) => id === 'large')) designs.push(largeDesign())
await inTransaction(async (transaction) => {
	if (designs.at(-1)?.id === 'large') await createDesign(studioId, largeDesign(), transaction)
	for (let d = designs.length; d < DESIGNS; d++) {
		const document = designs[d % designs.length]
		if (!document) continue
		const copy = { ...document, id: `${document.id}-${d}`, name: `${document.name} ${d}` }
		await createDesign(studioId, copy, transaction)
	}
})
const { courses } = await listCourses(studioId)
for (let c = courses.length; c < COURSES; c++) {
	const { id: _, version: __, ...course } = await getCourse(studioId, courses[c % courses.length]?.id ?? 0)
	const used = await getDesigns(
		studioId,
		course.designs.map(({ designId }) => ({ slug: designId })),
	)
	const documents = used.map(({ document }) => document)
	await inTransaction(async (transaction) => {
		const courseId = await createCourse(studioId, { ...course, name: `${course.name} ${c}` }, transaction)
		await createPlan(
			studioId,
			{
				courseId,
				fingerprint: fingerprintOf(course, documents, terms),
				document: planCourse(course, documents, terms),
			},
			transaction,
		)
	})
}
await closeDatabase()
