/** Somebody on a list, in words. */
import type { Student } from '../../../core/kit/student'
import { PACE_WORDS } from '../../shared/words/terms'

/** 'Ann, without egg, left-handed': what differs at a glance. */
export function studentWords({ name, ...rest }: Student): string {
	return [name, needWords(rest)].filter(Boolean).join(', ')
}

/** 'without egg, left-handed': all that is known of her for her kit. */
export function needWords({ level, avoids, diet, isLeftHanded, isChild, notes }: Omit<Student, 'name'>): string {
	const words = [
		level && PACE_WORDS[level].toLowerCase(),
		avoids.length > 0 && `without ${avoids.join(', ')}`,
		diet !== 'any' && diet,
		isLeftHanded && 'left-handed',
		isChild && 'child',
		notes,
	]
	return words.filter(Boolean).join(', ')
}
