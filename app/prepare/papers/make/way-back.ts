/** For who missed a session: how she comes level with the others. */
import { findWayBack, type WayBackStep } from '../../../../core/prepare/home-work'
import { present } from '../../../../core/present'
import { clock, duration, longDay, sessionName, shortDay } from '../../../shared/words/times'
import type { PaperBlock } from '../paper'
import type { PlannedCourse } from './paper-terms'

/** @param missed - the session, from 0; one that there is */
export function wayBackBlocks({ coursePlan, designs, story }: PlannedCourse, missed: number): PaperBlock[] {
	const { session, number } = present(story.sessions[missed], 'the missed session')
	const next = story.sessions[missed + 1]?.session
	const { steps, shown, homeMinutes, otherMinutes } = findWayBack(coursePlan.compiled, designs, story, missed)
	const before = next ? ` before ${longDay(next.date)}` : ''
	const lines = [
		`You missed ${sessionName(session.startMin, number).toLowerCase()}, ${longDay(session.date)}. This is what the class did.`,
		homeMinutes > 0 ? `At home${before}: ${duration(homeMinutes)} of work.` : '',
		otherMinutes > 0
			? `With your teacher: ${duration(otherMinutes)}${next ? `; come so much earlier on ${longDay(next.date)}, or ask for pieces that are ready` : ''}.`
			: '',
		shown.length > 0 ? `Ask to be shown: ${shown.join(', ').toLowerCase()}.` : '',
	]
	return [
		{ type: 'heading', text: 'The way back' },
		{ type: 'words', lines: lines.filter((line) => line !== '') },
		...(steps.length > 0
			? ([
					{
						type: 'table',
						heading: 'What you missed',
						hasBoxes: true,
						columns: [
							{ label: 'Step' },
							{ label: 'Minutes', isNumber: true },
							{ label: 'Where' },
							{ label: 'Done by, to be dry' },
						],
						rows: steps.map((step) => [
							`${step.source.partName}: ${step.source.label.toLowerCase()}`,
							{ text: String(step.minutes), value: step.minutes, format: '0' },
							whereWords(step),
							byWords(step),
						]),
					},
				] satisfies PaperBlock[])
			: []),
	]
}

function whereWords({ mayBeHome, isTooLate }: WayBackStep): string {
	if (isTooLate) return 'dried pieces from your teacher'
	return mayBeHome ? 'at home' : 'with your teacher'
}

function byWords({ doneBy, isTooLate }: WayBackStep): string {
	if (isTooLate) return 'too late to dry'
	return doneBy ? `${shortDay(doneBy.date)} ${clock(doneBy.minuteOfDay)}` : 'the end'
}
