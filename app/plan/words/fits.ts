import type { Picks } from '../../../core/design/resolve-design'
import type { Choice } from '../../../core/design/design'
import type { FitWay, Misfit } from '../../../core/plan/what-fits/what-fits'
import { count, duration, wait } from '../../shared/words/times'

/** 'fits with dried pieces, 25 min of yours before'. */
export function fitWords({ asks, isUsual, flowers, leftOut, prepMinutes }: FitWay): string {
	const before = prepMinutes > 0 ? `, ${duration(prepMinutes)} of yours before` : ''
	switch (asks) {
		case 'nothing':
			return isUsual ? 'fits whole' : 'fits in another way'
		case 'dried':
			return `fits with dried pieces${before}`
		case 'ahead':
			return `fits with work ahead${before}`
		case 'extras':
			return `fits without ${leftOut.join(' and ').toLowerCase() || 'an extra'}${before}`
		case 'fewer':
			return `fits with ${count(flowers, 'piece')} each${before}`
	}
}

/** 'needs 34 min more work than there is time'. */
export function misfitWords({ reason, minutes }: Misfit): string {
	switch (reason) {
		case 'work':
			return `${duration(minutes ?? 0)} more work than there is time`
		case 'drying':
			return minutes === undefined ? 'it does not dry in this air' : `dries ${wait(minutes)} too long`
		case 'preparation':
			return `would ask ${duration(minutes ?? 0)} more of you before`
		case 'not found':
			return minutes === undefined ? 'no plan found' : `no plan found; the best lacks ${duration(minutes)}`
	}
}

/** What is not as usual: 'Half-open, no leaves'; empty for the usual way. */
export function picksWords(choices: readonly Choice[], picks: Picks): string {
	return choices
		.flatMap(({ id, name, options }) => {
			const [usual] = options
			const chosen = options.find((option) => option.id === picks[id])
			return chosen && chosen !== usual ? [`${name.toLowerCase()}: ${chosen.name.toLowerCase()}`] : []
		})
		.join(', ')
}
