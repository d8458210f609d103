import type { PrepWork } from '../../../core/prepare/prep-tasks'
import { nameOfTask } from '../../plan/words/tasks'
import { addDays } from '../../../core/time/calendar'
import type { WallTime } from '../../../core/time/wall-clock'
import { clock, count, shortDay } from '../../shared/words/times'

/** 'Cut 21 wires', 'Make spadix: roll on its wire (2 of 3)'. */
export function prepWords(work: PrepWork): string {
	switch (work.kind) {
		case 'order':
			return `Order from ${work.supplierName}: ${count(work.count, 'thing')}`
		case 'colour':
			return `Colour paste, ${count(work.count, 'batch', 'batches')}${work.isAhead ? ', for what you make ahead' : ''}`
		case 'glue':
			return 'Mix the glue'
		case 'make': {
			const part = work.part ? ` (${work.part.number} of ${work.part.of})` : ''
			return `${work.isBrought ? 'Make, to bring dry:' : 'Make ahead:'} ${nameOfTask(work.source)}${part}`
		}
		case 'wires':
			return `Cut ${count(work.count, 'wire')}`
		case 'print':
			return 'Print the papers'
		case 'tools':
			return 'Pack and charge the tools'
		case 'pack':
			return `Pack ${count(work.kits, 'kit')} and your own set`
		case 'make up': {
			const pieces = work.pieces.map((piece) => `${piece.name.toLowerCase()} ${piece.count}`).join(', ')
			const forWhom = work.students > 1 ? `each of ${work.students} who were` : 'who was'
			return `Make dry for ${forWhom} away on ${shortDay(work.missedOn)}: ${pieces}`
		}
		case 'look':
			return `Look at the tray: ${nameOfTask(work.source)}, ${work.stage ?? 'dry'} by then`
	}
}

/** Nobody works in the night: what is due in it is due the evening before. */
const FIRST_HOUR = 7
const LAST_HOUR = 22

/** 'by Sat 7 Mar, 13:00', 'by the evening of Fri 6 Mar'. */
export function byWords({ date, minuteOfDay }: WallTime): string {
	if (minuteOfDay < 60 * FIRST_HOUR) return `by the evening of ${shortDay(addDays(date, -1))}`
	return minuteOfDay >= 60 * LAST_HOUR ? `by ${shortDay(date)}` : `by ${shortDay(date)}, ${clock(minuteOfDay)}`
}

/** The caution that belongs to it, where the hazard is; common practice. */
export function prepCaution(work: PrepWork): string | undefined {
	return work.kind === 'wires' ? 'Point down, hold both ends, eye protection, nobody in front.' : undefined
}
