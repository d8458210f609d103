/** The demo: one invented studio with designs in the exchange form and a course for each. All of it is made up. */
import courses from '../demo/courses.json'
import dryingNotes from '../demo/drying-notes.json'
import placeDocuments from '../demo/places.json'
import stockDocument from '../demo/stock.json'
import rosters from '../demo/students.json'
import type { Course, CourseDesign } from '../core/course/course'
import type { PlanTerms } from '../core/plan/compile/drying-terms'
import { CLIMATE_PRESETS } from '../core/drying/climate-presets'
import { planCourse, resolveCourse } from '../core/plan/plan-course'
import { addDays, weekdayFrom } from '../core/time/calendar'
import { ORDINARY_PLACE, type Place, type PlaceKind } from '../core/drying/place'
import type { CourseMoney } from '../core/kit/price-course'
import { ownedToolsOf, stockKey, type StockItem, type StockKind } from '../core/kit/stock'
import type { Student } from '../core/kit/student'
import type { Transaction } from 'sequelize'
import type { Sensor } from '../core/readings/reading'
import { readDesign } from '../exchange/read-document'
import { playPastClasses } from './demo-log'
import { inTransaction } from './connection.server'
import { fingerprintOf } from './fingerprint.server'
import { createStudio } from './repositories/accounts.server'
import { createCourse, updateCourseMoney } from './repositories/courses.server'
import { createDryingNote, type DryingNote } from './repositories/drying-notes.server'
import { addObservations } from './repositories/observations.server'
import { createPlace } from './repositories/places.server'
import { hashPassword } from './password-hash.server'
import { createDesign } from './repositories/designs.server'
import { createPlan } from './repositories/plans.server'
import { saveOffer } from './repositories/stock/offers.server'
import { saveStockItem } from './repositories/stock/shelf.server'
import { saveSupplier } from './repositories/stock/suppliers.server'
import { replaceStudents } from './repositories/students.server'

const DESIGN_DOCUMENTS = import.meta.glob<unknown>('../demo/designs/*.json', { eager: true, import: 'default' })

export const DEMO_EMAIL = 'instructor@tidewater.example'

/**
 * Loads the demo into a database without studios.
 *
 * @param today - YYYY-MM-DD that the dates of the courses are relative to
 * @param zone - of the studio, in the IANA database
 */
export function loadDemo({
	today,
	zone,
	password,
}: {
	today: string
	zone: string
	password: string
}): Promise<{ studioId: number }> {
	// All or nothing: a demo half loaded would pass for a whole one at the next start.
	return inTransaction(async (transaction) => {
		const { studioId } = await createStudio(
			{ name: 'The Tidewater Room', timeZone: zone, gaugeStandard: 'swg', wireLengthsMm: [360] },
			{ name: 'Ottilie Fenn', email: DEMO_EMAIL, passwordHash: await hashPassword(password) },
			transaction,
		)
		const designs = Object.values(DESIGN_DOCUMENTS).map(readDesign)
		for (const design of designs) await createDesign(studioId, design, transaction)
		const places = await createDemoPlaces(studioId, transaction)
		for (const note of DRYING_NOTES) await createDryingNote(studioId, note, transaction)
		await createDemoStock(studioId, transaction)
		const terms: PlanTerms = {
			places,
			confidence: 0.9,
			standard: 'swg',
			zone,
			observations: { 'gum paste': DRYING_NOTES.map(({ paste: _, what: __, ...entry }) => entry) },
		}
		const byId = new Map(designs.map((design) => [design.id, design]))
		for (const course of demoCourses(today, places)) {
			const used = course.designs.flatMap(({ designId }) => byId.get(designId) ?? [])
			const pinned = { ...course, designs: course.designs.map((item) => ({ ...item, designVersion: 1 })) }
			const courseId = await createCourse(studioId, pinned, transaction)
			await replaceStudents(studioId, courseId, { students: demoStudents(course.name) }, transaction)
			const tools = used.flatMap(({ steps }) => steps.flatMap((step) => step.tools))
			const owned = ownedToolsOf({ items: STOCK_ITEMS }, tools)
			const own: PlanTerms = { ...terms, ownedTools: owned }
			const document = planCourse(course, used, own)
			const fingerprint = fingerprintOf(course, used, own)
			await createPlan(studioId, { courseId, fingerprint, document }, transaction)
			const { compiled, plan, objective } = document
			if (plan && objective.shortfall === 0) {
				const planned = { course: pinned, designs: resolveCourse(course, used), compiled, plan, owned }
				const observations = playPastClasses(planned, { today, seed: courseId })
				await addObservations(studioId, { source: 'example', observations }, transaction)
			}
			const money = DEMO_MONEY[course.name]
			if (money) await updateCourseMoney(studioId, courseId, { money, version: 1 }, transaction)
		}
		return { studioId }
	})
}

const DRYING_NOTES = dryingNotes as DryingNote[]
const STOCK_ITEMS = stockDocument.items as StockItem[]
const DEMO_MONEY: Record<string, CourseMoney> = stockDocument.money

async function createDemoStock(studioId: number, transaction: Transaction): Promise<void> {
	for (const item of STOCK_ITEMS) await saveStockItem(studioId, item, { transaction })
	const ids = new Map<string, number>()
	for (const supplier of stockDocument.suppliers)
		ids.set(supplier.name, await saveSupplier(studioId, supplier, { transaction }))
	for (const { supplier, kind, name, amount, priceCents } of stockDocument.offers) {
		const itemKey = stockKey(kind as StockKind, name)
		const supplierId = ids.get(supplier)
		if (supplierId === undefined) throw new Error(`the demo has no supplier ${supplier}`)
		await saveOffer(studioId, { supplierId, itemKey, amount, priceCents }, { transaction })
	}
}

/** The people of a demo course. */
export function demoStudents(courseName: string): Student[] {
	const written: Record<string, (Pick<Student, 'name'> & Partial<Student>)[]> = rosters as never
	return (written[courseName] ?? []).map((student) => {
		return { isLeftHanded: false, avoids: [], diet: 'any', isChild: false, notes: '', ...student }
	})
}

async function createDemoPlaces(studioId: number, transaction: Transaction): Promise<Place[]> {
	const places: Place[] = []
	for (const { preset, kind, name, sensor } of placeDocuments) {
		const { climate, movement } = CLIMATE_PRESETS.find(({ id }) => id === preset) ?? ORDINARY_PLACE
		const place = { kind: kind as PlaceKind, name, climate, movement }
		const id = await createPlace(studioId, { ...place, sensor: sensor as Sensor }, transaction)
		places.push({ id, ...place })
	}
	return places
}

/**
 * The courses of the demo, with their dates.
 *
 * @param places - the demo's own, which courses name
 */
export function demoCourses(today: string, places: readonly Place[] = []): Course[] {
	return courses.map(({ sessions, designs, room, ...course }) => ({
		...(course as Pick<Course, 'name' | 'pace' | 'planFor'> & Omit<typeof course, 'pace' | 'planFor'>),
		designs: designs as CourseDesign[],
		sessions: sessions.map(({ inDays, weekday, ...session }) => ({
			...session,
			...roomNamed(places, room),
			date: weekdayFrom(addDays(today, inDays), weekday),
		})),
	}))
}

function roomNamed(places: readonly Place[], room: string | undefined): { roomId?: number } {
	const place = places.find(({ name }) => name === room)
	return place ? { roomId: place.id } : {}
}
