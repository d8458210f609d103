/** Ways to go on with a session, in the words of who teaches it. */
import type { CouldBegin } from '../../../core/run/could-begin'
import type { OfferChange } from '../../../core/run/find-offers'
import { nameOfTask } from '../../plan/words/tasks'
import { duration } from '../../shared/words/times'
import type { RunPage } from '../read-run.server'
import { endWords } from './run'
import type { JudgedOffer } from '../device/foresight.worker'

type Names = Pick<RunPage, 'problem' | 'sessionNames'>

/** 'Leaves: tape goes to Thursday 2'. */
export function offerWords(change: OfferChange, names: Names): string {
	const { tasks } = names.problem.compiled
	const listed = (ids: readonly string[]) => {
		const [first = '', ...others] = ids.filter((id) => tasks[id]?.type !== 'demo').map((id) => nameOfTask(tasks[id]))
		const more =
			others.length === 0 ? '' : others.length === 1 ? ` and ${others[0]}` : ` and ${others.length} more steps`
		return `“${first}”${more}`
	}
	const at = (session: number) => names.sessionNames[session - 1] ?? `session ${session}`
	switch (change.kind) {
		case 'later':
			return `Leave ${listed(change.tasks)} for ${at(change.session)}`
		case 'fewer':
			return `Make ${change.pieces} less each of ${partsOf(change.tasks, names)}`
		case 'order':
			return `Go on with ${listed([change.first])} first`
		case 'tea':
			return `Make tea ${duration(change.minutes)} shorter`
		case 'dried':
			return `Bring dried ${partsOf(change.tasks, names)} to ${at(change.session)}`
		case 'left out':
			return `Leave out ${listed(change.tasks)}`
		case 'longer':
			return `Stay ${duration(change.minutes)} longer`
	}
}

/** 'centres and inner petals'. */
function partsOf(ids: readonly string[], { problem }: Names): string {
	const parts = ids.flatMap((id) => {
		const source = problem.compiled.tasks[id]
		return source?.type === 'step' ? [source.partName.toLowerCase()] : []
	})
	return [...new Set(parts)].join(' and ')
}

/** 'then 8 in 10 to end in time; 35 min of your time before'. */
export function costWords({ change, chance }: Pick<JudgedOffer, 'change' | 'chance'>): string {
	const costs = [
		`then ${endWords(chance)}`,
		...(change.kind === 'dried' && change.minutes > 0 ? [`${duration(change.minutes)} of your time before`] : []),
		...(change.kind === 'left out' ? ['less is learnt'] : []),
	]
	return costs.join('; ')
}

/** 'Time to spare: you could begin “outer petals: cut, wire, cup” (48 min) already.' */
export function aheadWords(list: readonly CouldBegin[], { problem }: Names): string {
	const named = list.map(({ task, minutes }) => {
		return `“${nameOfTask(problem.compiled.tasks[task])}” (${duration(minutes)})`
	})
	return `Time to spare: you could begin ${named.join(', or ')} already.`
}
