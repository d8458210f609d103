/** How a layer's pieces stand, in her words. */
import type { Layer } from '../../../core/design/design'

export const ARRANGEMENT_WORDS: Record<Layer['arrangement'], string> = {
	'over gaps': 'over the gaps',
	aligned: 'in line',
	spiral: 'down a stem',
	around: 'laid round',
	free: 'anyhow',
}
