/** The limits of a course: what every form, file and action that makes or changes one asks. */
import { InputError, type FieldProblem } from '../errors'
import { FIRST_YEAR, isCalendarDate, LAST_YEAR } from '../time/calendar'
import { MOST_PINS, PIN_PLACES, TASK_ID_LENGTH, tasksOfPin, type CoursePin } from './course-pin'
import { PACES, PLAN_FOR, type Course, type CourseDesign, type Session } from './course'
import { sessionProblems } from './session-hours'

/** From the least to the most that is taken. */
interface Range {
	/** Least that is taken. */
	min: number
	/** Most that is taken. */
	max: number
}

/** Counts and minutes of a course. Bounds of good sense, not of the planner: common practice, no source. */
export const COURSE_LIMITS = {
	nameLength: { min: 1, max: 120 },
	students: { min: 1, max: 60 },
	demoFlowers: { min: 0, max: 10 },
	homeworkMinutes: { min: 0, max: 600 },
	homeAfterDays: { min: 0, max: 60 },
	designs: { min: 1, max: 6 },
	flowersPerStudent: { min: 1, max: 30 },
	picksPerDesign: { min: 0, max: 10 },
	sessions: { min: 1, max: 30 },
	minuteOfDay: { min: 0, max: 1440 },
	setUpMinutes: { min: 0, max: 120 },
	clearAwayMinutes: { min: 0, max: 120 },
	breaks: { min: 0, max: 6 },
	breakMinutes: { min: 0, max: 240 },
	mayMoveMinutes: { min: 0, max: 120 },
	bufferMinutes: { min: 0, max: 240 },
	/** Of a wait set by hand, up to 30 days. */
	waitMinutes: { min: 1, max: 43_200 },
	waitsByHand: { min: 0, max: 1_000 },
	pins: { min: 0, max: MOST_PINS },
} as const satisfies Record<string, Range>

/** How sure it is to be that each student has enough pieces. */
export const SPARE_CONFIDENCES = [0.8, 0.9, 0.95] as const

/** Longer ids are nobody's: the columns that keep them end there. */
const ID_LENGTH = 60
const WAIT_KEY_LENGTH = 200
const KEY_PATTERN = /^[a-z0-9][a-z0-9-]{0,63}$/
const NAME_LENGTH = 80

/**
 * What is wrong with a course, by field; nothing: it can be planned.
 *
 * @param course - of the right shape; its numbers may be anything, NaN too
 */
export function validateCourse(course: Course): FieldProblem[] {
	const { nameLength, students, demoFlowers, homeworkMinutes, homeAfterDays } = COURSE_LIMITS
	const { name, pace, planFor, spareConfidence, waits = {}, pins = [] } = course
	return [
		...problemIf(name.trim().length < nameLength.min, 'name', 'Give the course a name'),
		...problemIf(name.trim().length > nameLength.max, 'name', `At most ${nameLength.max} characters`),
		...wholeProblem('studentCount', course.studentCount, students, 'students'),
		...problemIf(!PACES.includes(pace), 'pace', 'Choose a pace'),
		...problemIf(!PLAN_FOR.includes(planFor), 'planFor', 'Choose whom to plan for'),
		...problemIf(!(spareConfidence > 0 && spareConfidence < 1), 'spareConfidence', 'Choose how sure'),
		...wholeProblem('demoFlowers', course.demoFlowers, demoFlowers, 'pieces'),
		...wholeProblem('homeworkMinutes', course.homeworkMinutes, homeworkMinutes, 'minutes'),
		...wholeProblem('homeAfterDays', course.homeAfterDays ?? 0, homeAfterDays, 'days'),
		...designsProblems(course.designs),
		...sessionsProblems(course.sessions),
		...waitsProblems(waits),
		...mostProblem('pins', 'things settled about the plan', pins.length, COURSE_LIMITS.pins),
		...pins.flatMap((pin, p) => pinProblems(pin, `pins[${p}]`, course.sessions.length)),
	]
}

/**
 * The course, once nothing is wrong with it.
 *
 * @throws {InputError} by field
 */
export function requireValidCourse<T extends Course>(course: T): T {
	const problems = validateCourse(course)
	if (problems.length > 0) throw new InputError(problems)
	return course
}

/** At least one, each with a key of its own, each of them with flowers to make and choices in bounds. */
function designsProblems(designs: readonly CourseDesign[]): FieldProblem[] {
	const keys = designs.flatMap(({ key }) => key ?? [])
	return [
		...problemIf(designs.length < COURSE_LIMITS.designs.min, 'designs', 'Choose at least one design'),
		...mostProblem('designs', 'designs', designs.length, COURSE_LIMITS.designs),
		...designs.flatMap(({ designId, key, name = '', flowersPerStudent, picks }, d) => {
			const path = `designs[${d}]`
			const texts = Object.entries(picks).flat()
			return [
				...problemIf(designId === '' || designId.length > ID_LENGTH, `${path}.designId`, 'Choose a design'),
				...problemIf(
					key !== undefined && !(KEY_PATTERN.test(key) && keys.indexOf(key) === keys.lastIndexOf(key)),
					`${path}.key`,
					'A key of its own, of small letters, figures and hyphens',
				),
				...problemIf(name.length > NAME_LENGTH, `${path}.name`, `At most ${NAME_LENGTH} characters`),
				...wholeProblem(`${path}.flowersPerStudent`, flowersPerStudent, COURSE_LIMITS.flowersPerStudent, 'pieces'),
				...problemIf(
					texts.length > 2 * COURSE_LIMITS.picksPerDesign.max || texts.some((text) => text.length > ID_LENGTH),
					`${path}.picks`,
					'Choose one of the options',
				),
			]
		}),
	]
}

/** Fields first: hours and order of sessions are judged only where every field makes sense by itself. */
function sessionsProblems(sessions: readonly Session[]): FieldProblem[] {
	const own = [
		...problemIf(sessions.length < COURSE_LIMITS.sessions.min, 'sessions', 'Add at least one session'),
		...mostProblem('sessions', 'sessions', sessions.length, COURSE_LIMITS.sessions),
		...sessions.flatMap(sessionFieldProblems),
	]
	// Hours that are no numbers have no order either.
	return own.length > 0 ? own : sessionProblems(sessions)
}

/** @param s - position of the session, from 0, for the field's path */
function sessionFieldProblems(session: Session, s: number): FieldProblem[] {
	const { minuteOfDay, setUpMinutes, clearAwayMinutes, breaks, breakMinutes, mayMoveMinutes, bufferMinutes } =
		COURSE_LIMITS
	const path = `sessions[${s}]`
	return [
		...problemIf(!isCalendarDate(session.date), `${path}.date`, `A day from ${FIRST_YEAR} to ${LAST_YEAR}`),
		...wholeProblem(`${path}.startMin`, session.startMin, minuteOfDay, 'minutes of the day'),
		...wholeProblem(`${path}.endMin`, session.endMin, minuteOfDay, 'minutes of the day'),
		...wholeProblem(`${path}.setUpMinutes`, session.setUpMinutes, setUpMinutes, 'minutes'),
		...wholeProblem(`${path}.clearAwayMinutes`, session.clearAwayMinutes, clearAwayMinutes, 'minutes'),
		...wholeProblem(`${path}.bufferMinutes`, session.bufferMinutes ?? 0, bufferMinutes, 'minutes'),
		...mostProblem(`${path}.breaks`, 'breaks', session.breaks.length, breaks),
		...session.breaks.flatMap(({ startMin, minutes, mayMoveMinutes: moves = 0 }, b) => [
			...wholeProblem(`${path}.breaks[${b}].startMin`, startMin, minuteOfDay, 'minutes of the day'),
			...wholeProblem(`${path}.breaks[${b}].minutes`, minutes, breakMinutes, 'minutes'),
			...wholeProblem(`${path}.breaks[${b}].mayMoveMinutes`, moves, mayMoveMinutes, 'minutes'),
		]),
	]
}

/** Waits that the instructor has set herself, in minutes by the wait's key. */
function waitsProblems(waits: NonNullable<Course['waits']>): FieldProblem[] {
	const entries = Object.entries(waits)
	return [
		...mostProblem('waits', 'waits set by hand', entries.length, COURSE_LIMITS.waitsByHand),
		...entries.flatMap(([key, minutes]) => [
			...problemIf(key.length > WAIT_KEY_LENGTH, 'waits', 'There is no such wait'),
			...wholeProblem(`waits.${key}`, minutes, COURSE_LIMITS.waitMinutes, 'minutes'),
		]),
	]
}

/** A pin speaks of steps by their ids and of sessions that there are. */
function pinProblems(pin: CoursePin, path: string, sessionCount: number): FieldProblem[] {
	const tasks = tasksOfPin(pin)
	return [
		...problemIf(
			tasks.some((task) => task === '' || task.length > TASK_ID_LENGTH),
			path,
			'There is no such step',
		),
		...problemIf('session' in pin && !isNumbered(pin.session, sessionCount), path, 'There is no such session'),
		...(pin.kind === 'start'
			? wholeProblem(`${path}.minuteOfDay`, pin.minuteOfDay, COURSE_LIMITS.minuteOfDay, 'minutes of the day')
			: []),
		...problemIf(pin.kind === 'place' && !PIN_PLACES.includes(pin.place), path, 'There is no such place'),
		...problemIf('first' in pin && pin.first === pin.second, path, 'Two different steps'),
	]
}

function isNumbered(number: number, count: number): boolean {
	return Number.isInteger(number) && number >= 1 && number <= count
}

/** A whole number in its range, in words that name the unit. */
function wholeProblem(path: string, value: number, { min, max }: Range, unit: string): FieldProblem[] {
	return problemIf(
		!(Number.isInteger(value) && value >= min && value <= max),
		path,
		`Whole ${unit} from ${min} to ${max}`,
	)
}

/** No more of them than the range allows. */
function mostProblem(path: string, what: string, count: number, { max }: Range): FieldProblem[] {
	return problemIf(count > max, path, `At most ${max} ${what}`)
}

/** A problem or none, so that rules read as a list. */
function problemIf(isWrong: boolean, path: string, message: string): FieldProblem[] {
	return isWrong ? [{ path, message }] : []
}
