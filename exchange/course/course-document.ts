/**
 * A course in the exchange form: what is made by whom, when and in which air, with the designs and the shelf, and nothing
 * left out. One of the first form is read as it was: it had neither rooms nor items of their own.
 */
import { validateCourse } from '../../core/course/validate-course'
import type { Course, Session } from '../../core/course/course'
import type { Design, PartWire } from '../../core/design/design'
import type { AirMovement } from '../../core/drying/air-film'
import type { Air } from '../../core/drying/climate'
import type { Place } from '../../core/drying/place'
import { InputError, type FieldProblem } from '../../core/errors'
import { USUAL_KIT_TERMS, type KitTerms } from '../../core/kit/kit-terms'
import { stockKey, type Stock, type StockItem, type StockKind } from '../../core/kit/stock'
import type { Student } from '../../core/kit/student'
import type { Supplier } from '../../core/materials/buying/plan-orders'
import type { GaugeStandard } from '../../core/materials/wire-gauge'
import type { NamedPlan } from '../../core/plan/named-plan'
import type { DesignInCourse } from '../../core/plan/compile/compile-course'
import { resolveCourse } from '../../core/plan/plan-course'
import { ORDINARY_TERMS, roomOf, storeOf, type PlanTerms } from '../../core/plan/compile/drying-terms'
import { isTimeZone } from '../../core/time/zone'
import { readAgainst, readDesign } from '../read-document'
import courseSchema from '../schemas/course.schema.json'

export const COURSE_FORMAT = 'calycine-course'
export const COURSE_FORMAT_VERSION = 2

export interface CourseDocument {
	course: Course
	/** In the order of `course.designs`. */
	designs: Design[]
	/** The same with the choices of their items made. */
	resolved: DesignInCourse[]
	students: Student[]
	stock: Stock
	stockLengthsMm: number[]
	kitTerms: KitTerms
	/** Its rooms and its store, and what else plans are made with. */
	terms: PlanTerms
	/** YYYY-MM-DD. */
	today: string | undefined
	/** The one that stands, where the file holds one; whether it is a plan of the course is not judged here. */
	plan: NamedPlan | undefined
}

/** As it stands in the file: what has a usual value may be left out. */
interface Written {
	today?: string
	course: Pick<Course, 'name' | 'studentCount'> &
		Partial<Omit<Course, 'designs' | 'sessions'>> & {
			designs: (Pick<Course['designs'][number], 'designId'> & Partial<Course['designs'][number]>)[]
			sessions: (Pick<Session, 'date' | 'startMin' | 'endMin'> & Partial<Omit<Session, 'roomId'>> & { room?: string })[]
		}
	zone?: string
	dryingConfidence?: number
	gaugeStandard?: GaugeStandard
	rooms?: (WrittenPlace & { id: string })[]
	store?: WrittenPlace
	tools?: Record<string, number>
	designs: unknown[]
	students?: (Pick<Student, 'name'> & Partial<Student>)[]
	stockLengthsMm?: number[]
	stock?: {
		items?: StockItem[]
		suppliers?: Supplier[]
		offers?: { supplierId: string; kind: StockKind; name: string; amount: number; priceCents: number }[]
	}
	kitTerms?: Partial<KitTerms>
	plan?: NamedPlan
}

interface WrittenPlace {
	name?: string
	movement?: AirMovement
	climate: Air | Air[]
}

const USUAL_STOCK_LENGTH_MM = 360
/** Rooms are numbered from 1 on, in their order; the store comes before them. */
const STORE_ID = 0

/** @throws {InputError} every problem by JSON pointer; a newer version of the format is refused by name */
export function readCourseDocument(document: unknown): CourseDocument {
	refuseNewer(document)
	const written = readAgainst<Written>(courseSchema, upgrade(document))
	const { course, designs, students = [], stock = {}, kitTerms, stockLengthsMm, today, plan } = written
	const read = designs.map((design, d) => readDesignAt(design, d))
	const problems = course.designs.flatMap(({ designId }, d): FieldProblem[] => {
		return read.some(({ id }) => id === designId)
			? []
			: [{ path: `/course/designs/${d}/designId`, message: `there is no design "${designId}" in the document` }]
	})
	if (students.length > course.studentCount)
		problems.push({ path: '/students', message: `must be at most the ${course.studentCount} of the course` })
	problems.push(...roomProblems(written), ...wireProblems(read, stockLengthsMm ?? [USUAL_STOCK_LENGTH_MM]))
	const filled = fillCourse(written)
	problems.push(...validateCourse(filled).map(({ path, message }) => ({ path: toPointer(path), message })))
	if (problems.length > 0) throw new InputError(problems)
	const chosen = course.designs.flatMap(({ designId }) => read.find(({ id }) => id === designId) ?? [])
	return {
		today,
		plan,
		course: filled,
		terms: toTerms(written),
		designs: chosen,
		resolved: resolveAt(filled, chosen),
		students: students.map((student) => ({
			isLeftHanded: false,
			avoids: [],
			diet: 'any',
			isChild: false,
			notes: '',
			...student,
		})),
		stockLengthsMm: stockLengthsMm ?? [USUAL_STOCK_LENGTH_MM],
		kitTerms: { ...USUAL_KIT_TERMS, ...kitTerms },
		stock: {
			items: stock.items ?? [],
			suppliers: stock.suppliers ?? [],
			offers: (stock.offers ?? []).map(({ kind, name, ...offer }, o) => ({
				...offer,
				id: String(o),
				itemId: stockKey(kind, name),
			})),
		},
	}
}

/**
 * The document of a course, to keep or to hand on; people are left out unless they are given.
 *
 * @param terms - with the rooms that it meets in and the store that its pieces lie in
 */
export function writeCourseDocument({
	course,
	designs,
	students,
	stockLengthsMm,
	terms,
	plan,
}: Pick<CourseDocument, 'course' | 'designs' | 'students' | 'stockLengthsMm' | 'terms' | 'plan'>): object {
	const { sessions, designs: chosen, storeId, ...plain } = course
	const rooms = [...new Set(sessions.map(({ roomId }) => roomOf(terms, roomId)))]
	const { confidence, standard, zone, ownedTools = {} } = terms
	return {
		format: COURSE_FORMAT,
		formatVersion: COURSE_FORMAT_VERSION,
		zone,
		dryingConfidence: confidence,
		gaugeStandard: standard,
		rooms: rooms.map((room) => ({ id: idOf(room), ...writePlace(room) })),
		store: writePlace(storeOf(terms, storeId)),
		...(Object.keys(ownedTools).length > 0 && { tools: ownedTools }),
		course: {
			...plain,
			designs: chosen.map(({ designVersion: _, ...item }) => item),
			sessions: sessions.map(({ roomId, ...session }) => ({ ...session, room: idOf(roomOf(terms, roomId)) })),
		},
		// A design that is made in several ways stands there once.
		designs: designs.filter(({ id }, d) => designs.findIndex((other) => other.id === id) === d),
		...(students.length > 0 && { students }),
		stockLengthsMm,
		...(plan && { plan }),
	}
}

/** Names are for people, and need not be unique. */
function idOf({ id }: Place): string {
	return `room-${id}`
}

function writePlace({ name, movement, climate }: Place): WrittenPlace {
	if (climate.type === 'day') return { name, movement, climate: [...climate.hours] }
	const { temperatureC, humidity } = climate
	return { name, movement, climate: { temperatureC, humidity } }
}

/** 'sessions[0].endMin' -> '/course/sessions/0/endMin'. */
function toPointer(path: string): string {
	return `/course/${path.replace(/\]/g, '').replace(/[.[]/g, '/')}`
}

/** @throws {InputError} a choice that a design does not have, at its place in the document */
function resolveAt(course: Course, designs: readonly Design[]): DesignInCourse[] {
	try {
		return resolveCourse(course, designs)
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		const problems = error.problems.map(({ path, message }) => ({ path: toPointer(path), message }))
		throw new InputError(problems, { cause: error })
	}
}

/** A wire longer than every stock: told where it stands, with what to buy. */
function wireProblems(designs: readonly Design[], stockLengthsMm: readonly number[]): FieldProblem[] {
	const longest = Math.max(...stockLengthsMm)
	const check = (wire: PartWire | undefined, path: string): FieldProblem[] => {
		if (!wire || wire.lengthMm <= longest) return []
		const message = `is longer than every stock wire (${longest} mm): add a stock length of ${wire.lengthMm} mm or more, or shorten it`
		return [{ path: `${path}/lengthMm`, message }]
	}
	return designs.flatMap(({ parts, bundles = [] }, d) => [
		...parts.flatMap(({ wire, bundles: own, sizes = [], variants = [] }, p) => {
			const at = `/designs/${d}/parts/${p}`
			return [
				...check(wire, `${at}/wire`),
				...check(own?.wire, `${at}/bundles/wire`),
				...sizes.flatMap((size, z) => check(size.wire, `${at}/sizes/${z}/wire`)),
				...variants.flatMap(({ set }, v) => check(set.wire, `${at}/variants/${v}/set/wire`)),
			]
		}),
		...bundles.flatMap(({ wire }, b) => check(wire, `/designs/${d}/bundles/${b}/wire`)),
	])
}

function refuseNewer(document: unknown): void {
	const version =
		typeof document === 'object' && document !== null && 'formatVersion' in document && document.formatVersion
	if (typeof version === 'number' && version > COURSE_FORMAT_VERSION) {
		const message = `This course was written by a newer Calycine (format ${version}); this one reads up to ${COURSE_FORMAT_VERSION}`
		throw new InputError([{ path: '/formatVersion', message }])
	}
}

function readDesignAt(document: unknown, d: number): Design {
	try {
		return readDesign(document)
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		const problems = error.problems.map(({ path, message }) => ({ path: `/designs/${d}${path}`, message }))
		throw new InputError(problems, { cause: error })
	}
}

/** The first form is the second without what it could not say. */
function upgrade(document: unknown): unknown {
	const isFirst =
		typeof document === 'object' && document !== null && 'formatVersion' in document && document.formatVersion === 1
	return isFirst ? { ...document, formatVersion: COURSE_FORMAT_VERSION } : document
}

/** What the schema cannot say of rooms, and of the zone. */
function roomProblems({ course, rooms = [], zone }: Written): FieldProblem[] {
	const ids = rooms.map(({ id }) => id)
	return [
		...ids.flatMap((id, r) =>
			ids.indexOf(id) < r ? [{ path: `/rooms/${r}/id`, message: `is there twice: "${id}"` }] : [],
		),
		...course.sessions.flatMap(({ room }, s) =>
			room === undefined || ids.includes(room)
				? []
				: [{ path: `/course/sessions/${s}/room`, message: `there is no room "${room}" in the document` }],
		),
		...(zone === undefined || isTimeZone(zone) ? [] : [{ path: '/zone', message: 'there is no such time zone' }]),
	]
}

function toTerms({ zone, dryingConfidence, gaugeStandard, rooms = [], store, tools }: Written): PlanTerms {
	const places = rooms.map((room, r) => toPlace(room, { id: r + 1, kind: 'room', name: room.id }))
	if (store) places.push(toPlace(store, { id: STORE_ID, kind: 'store', name: 'the store' }))
	return {
		...ORDINARY_TERMS,
		places,
		...(zone !== undefined && { zone }),
		...(dryingConfidence !== undefined && { confidence: dryingConfidence }),
		...(gaugeStandard !== undefined && { standard: gaugeStandard }),
		ownedTools: tools ?? {},
	}
}

function toPlace({ name, movement, climate }: WrittenPlace, usual: Pick<Place, 'id' | 'kind' | 'name'>): Place {
	return {
		...usual,
		...(name !== undefined && { name }),
		movement: movement ?? 'still',
		climate: Array.isArray(climate) ? { type: 'day', hours: climate } : { type: 'steady', ...climate },
	}
}

function fillCourse({ course: { designs, sessions, ...course }, rooms = [], store }: Written): Course {
	return {
		pace: 'improvers',
		planFor: 'slower',
		spareConfidence: 0.9,
		demoFlowers: 1,
		homeworkMinutes: 0,
		...course,
		designs: designs.map((item) => ({ flowersPerStudent: 1, picks: {}, ...item })),
		...(store && { storeId: STORE_ID }),
		sessions: sessions.map(({ room, ...session }) => {
			const roomId = rooms.findIndex(({ id }) => id === room) + 1
			return { setUpMinutes: 0, clearAwayMinutes: 0, breaks: [], ...session, ...(roomId > 0 && { roomId }) }
		}),
	}
}
