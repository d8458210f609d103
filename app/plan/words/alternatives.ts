/** Alternatives named by what they do: "two evenings, centres brought dry, 70 min of your time". */
import type { CompiledCourse } from '../../../core/plan/compile/compiled-course'
import type { Alternative } from '../../../core/plan/exact/find-alternatives'
import type { Placement } from '../../../core/plan/problem/plan'
import { nameOfTask } from './tasks'
import { count, duration } from '../../shared/words/times'

/** Names said before it becomes a list. */
const MOST_NAMES = 2

export function nameAlternative({ plan, objective, sessions }: Alternative, compiled: CompiledCourse): string {
	const swapped = plan.swaps.flatMap((a) => stepOf(compiled, compiled.instance.arcs[a]?.from))
	const listed = (place: Placement['place']) => {
		return Object.entries(plan.placements).flatMap(([id, placement]) =>
			placement.place === place ? partOf(compiled, id) : [],
		)
	}
	const ways = [
		said(swapped, 'brought dry'),
		said(listed('ahead'), 'made ahead'),
		said(listed('home'), 'at home'),
		said(listed('dropped'), 'left out'),
	].filter(Boolean)
	const { prepMinutes = 0 } = objective
	return [
		ways.length > 0 ? ways.join(', ') : 'Everything by hand, in class',
		count(sessions, 'session'),
		...(prepMinutes > 0 ? [`${duration(prepMinutes)} of your time`] : []),
	].join(' · ')
}

function partOf({ tasks }: CompiledCourse, id: string | undefined): string[] {
	const source = id === undefined ? undefined : tasks[id]
	if (!source) return []
	return [source.type === 'demo' ? `${source.label.toLowerCase()} (hand-out)` : source.partName.toLowerCase()]
}

/** A part may be brought dry at more than one of its steps. */
function stepOf({ tasks }: CompiledCourse, id: string | undefined): string[] {
	const source = id === undefined ? undefined : tasks[id]
	return source ? [nameOfTask(source)] : []
}

function said(names: readonly string[], how: string): string {
	const unique = [...new Set(names)]
	if (unique.length === 0) return ''
	const named = unique.slice(0, MOST_NAMES).join(' and ')
	const more = unique.length > MOST_NAMES ? ` and ${unique.length - MOST_NAMES} more` : ''
	return `${named}${more} ${how}`
}
