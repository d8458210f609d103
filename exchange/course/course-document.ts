/** A course in the exchange form: what is made by whom and when, with the designs and the shelf, and nothing left out. */
import { validateCourse } from '../../core/course/validate-course'
import type { Course, Session } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import { InputError, type FieldProblem } from '../../core/errors'
import { USUAL_KIT_TERMS, type KitTerms } from '../../core/kit/kit-terms'
import { stockKey, type Stock, type StockItem, type StockKind } from '../../core/kit/stock'
import type { Student } from '../../core/kit/student'
import type { Supplier } from '../../core/materials/buying/plan-orders'
import { readAgainst, readDesign } from '../read-document'
import courseSchema from '../schemas/course.schema.json'

export const COURSE_FORMAT = 'calycine-course'
export const COURSE_FORMAT_VERSION = 1

export interface CourseDocument {
	course: Course
	/** In the order of `course.designs`. */
	designs: Design[]
	students: Student[]
	stock: Stock
	stockLengthsMm: number[]
	kitTerms: KitTerms
	/** YYYY-MM-DD. */
	today: string | undefined
}

/** As it stands in the file: what has a usual value may be left out. */
interface Written {
	today?: string
	course: Pick<Course, 'name' | 'studentCount'> &
		Partial<Omit<Course, 'designs' | 'sessions'>> & {
			designs: (Pick<Course['designs'][number], 'designId'> & Partial<Course['designs'][number]>)[]
			sessions: (Pick<Session, 'date' | 'startMin' | 'endMin'> & Partial<Session>)[]
		}
	designs: unknown[]
	students?: (Pick<Student, 'name'> & Partial<Student>)[]
	stockLengthsMm?: number[]
	stock?: {
		items?: StockItem[]
		suppliers?: Supplier[]
		offers?: { supplierId: string; kind: StockKind; name: string; amount: number; priceCents: number }[]
	}
	kitTerms?: Partial<KitTerms>
}

const USUAL_STOCK_LENGTH_MM = 360

/** @throws {InputError} every problem by JSON pointer; a newer version of the format is refused by name */
export function readCourseDocument(document: unknown): CourseDocument {
	refuseNewer(document)
	const {
		course,
		designs,
		students = [],
		stock = {},
		kitTerms,
		stockLengthsMm,
		today,
	} = readAgainst<Written>(courseSchema, document)
	const read = designs.map((design, d) => readDesignAt(design, d))
	const problems = course.designs.flatMap(({ designId }, d): FieldProblem[] => {
		return read.some(({ id }) => id === designId)
			? []
			: [{ path: `/course/designs/${d}/designId`, message: `there is no design "${designId}" in the document` }]
	})
	if (students.length > course.studentCount)
		problems.push({ path: '/students', message: `must be at most the ${course.studentCount} of the course` })
	const filled = fillCourse(course)
	problems.push(...validateCourse(filled).map(({ path, message }) => ({ path: toPointer(path), message })))
	if (problems.length > 0) throw new InputError(problems)
	return {
		today,
		course: filled,
		designs: course.designs.flatMap(({ designId }) => read.find(({ id }) => id === designId) ?? []),
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

/** The document of a course, to keep or to hand on; people are left out unless they are given. */
export function writeCourseDocument({
	course,
	designs,
	students,
	stockLengthsMm,
}: Pick<CourseDocument, 'course' | 'designs' | 'students' | 'stockLengthsMm'>): object {
	const { sessions, designs: chosen, storeId: _, ...plain } = course
	return {
		format: COURSE_FORMAT,
		formatVersion: COURSE_FORMAT_VERSION,
		course: {
			...plain,
			designs: chosen.map(({ designVersion: __, ...item }) => item),
			// Rooms are the studio's own and mean nothing elsewhere.
			sessions: sessions.map(({ roomId: __, ...session }) => session),
		},
		designs,
		...(students.length > 0 && { students }),
		stockLengthsMm,
	}
}

/** 'sessions[0].endMin' -> '/course/sessions/0/endMin'. */
function toPointer(path: string): string {
	return `/course/${path.replace(/\]/g, '').replace(/[.[]/g, '/')}`
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

function fillCourse({ designs, sessions, ...course }: Written['course']): Course {
	return {
		pace: 'improvers',
		planFor: 'slower',
		spareConfidence: 0.9,
		demoFlowers: 1,
		homeworkMinutes: 0,
		...course,
		designs: designs.map((item) => ({ flowersPerStudent: 1, picks: {}, ...item })),
		sessions: sessions.map((session) => ({ setUpMinutes: 0, clearAwayMinutes: 0, breaks: [], ...session })),
	}
}
