/** A change that would help, and what it asks, in her words. */
import type { Advice, Change } from '../../../core/rehearse/advice'
import type { ChangedCourse, CourseChange } from '../../../core/rehearse/course-changes'
import type { CourseEdit } from '../../../core/plan/edit/course-edit'
import { editWords } from '../../plan/words/pins'
import { clock, count, duration, longDay } from '../../shared/words/times'
import type { CourseNames } from '../read-rehearsal.server'

export function changeWords(change: Change, names: CourseNames): string {
	switch (change.kind) {
		case 'tool':
			return `${change.count} of the ${change.name} instead of ${change.count - 1}`
		case 'assistant':
			return 'somebody who helps beside you'
		case 'course':
			return courseChangeWords(change, names)
	}
}

function courseChangeWords({ what, edits }: CourseChange, names: CourseNames): string {
	switch (what) {
		case 'order':
			return 'the steps in another order'
		case 'halves':
			return 'two steps done in halves of the class'
		case 'buffers':
			return edits.map((edit) => oneEditWords(edit, names)).join(', ') + ': laid anew with it'
		default:
			return edits.map((edit) => oneEditWords(edit, names)).join(', ')
	}
}

function oneEditWords(edit: CourseEdit, names: CourseNames): string {
	const day = (session: number) => longDay(names.sessions[session - 1]?.date ?? '')
	switch (edit.kind) {
		case 'buffer':
			return `${duration(edit.minutes ?? 0)} to spare on ${day(edit.session)}`
		case 'hours':
			return `${day(edit.session)} until ${clock(edit.endMin)}`
		case 'break':
			return `tea at ${clock(edit.toMin)} on ${day(edit.session)}`
		case 'flowers':
			return `${count(edit.count, 'piece')} each of ${names.items[edit.item] ?? edit.item}`
		case 'pick':
			return names.options[`${edit.item}/${edit.choice}/${edit.option}`] ?? 'another option'
		default:
			return editWords(edit, { names: names.tasks, sessions: names.sessions })
	}
}

/** What it asks; empty: nothing more than it says. */
export function priceWords({ change, changed }: Advice): string[] {
	if (change.kind === 'tool') return ['to buy or to borrow']
	if (change.kind === 'assistant') return ['somebody’s time']
	return changed ? coursePriceWords(changed) : []
}

function coursePriceWords({ price: { prepMinutes, valueLost, strain } }: ChangedCourse): string[] {
	return [
		...(prepMinutes > 0 ? [`${duration(prepMinutes)} more of your time before`] : []),
		...(prepMinutes < 0 ? [`${duration(-prepMinutes)} less of your time before`] : []),
		...(valueLost > 0 ? ['less is taught in class'] : []),
		...(strain > 0 ? ['by the plan, more waiting and taking up again'] : []),
	]
}
