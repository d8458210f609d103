/** How a layer's pieces stand, in her words. */
import type { Layer } from '../../../core/design/design'
import { USUAL_TURNS } from '../../../core/design/design-figures'

/** '2 turns a piece, 6 to lock it'. */
export function turnsWords({ tapeTurns, lockTurns }: Pick<Layer, 'tapeTurns' | 'lockTurns'>): string {
	const each = tapeTurns ?? (lockTurns === undefined ? USUAL_TURNS : undefined)
	return [
		...(each === undefined ? [] : [`${each} turns a piece`]),
		...(lockTurns === undefined ? [] : [`${lockTurns} to lock it`]),
	].join(', ')
}

export const ARRANGEMENT_WORDS: Record<Layer['arrangement'], string> = {
	'over gaps': 'over the gaps',
	aligned: 'in line',
	spiral: 'down a stem',
	around: 'laid round',
	free: 'anyhow',
}
