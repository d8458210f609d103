/** Why a course has no plan with what is settled about it: the fewest of its pins that cannot hold together. */
import type { Course } from '../../course/course'
import { isSamePin, type CoursePin } from '../../course/course-pin'
import type { CompiledCourse } from '../compile/compiled-course'
import { resolvePins } from '../pins/course-pins'
import { findPinConflict } from '../pins/find-pin-conflict'

export type CourseConflict =
	/** All hold together. */
	| { kind: 'none' }
	/** Any one of them lifted, the others hold together. */
	| { kind: 'pins'; pins: CoursePin[] }
	/** It does not fit without any pin either. */
	| { kind: 'course' }
	/** Not found out in that effort. */
	| { kind: 'unknown' }

/** @param steps - of propagation for each question; absent: about a second in all */
export function findCourseConflict(course: Course, compiled: CompiledCourse, steps?: number): CourseConflict {
	const { pins, sources } = resolvePins(course, compiled)
	const answer = findPinConflict(compiled.instance, pins, steps)
	if (answer.status === 'fits') return { kind: 'none' }
	if (answer.status === 'unknown') return { kind: 'unknown' }
	const conflicting = answer.pins.flatMap((pin) => sources[pins.indexOf(pin)] ?? [])
	const unique = conflicting.filter((pin, p) => conflicting.findIndex((other) => isSamePin(other, pin)) === p)
	return unique.length > 0 ? { kind: 'pins', pins: unique } : { kind: 'course' }
}
