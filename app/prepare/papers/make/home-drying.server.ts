/** How long a wait of a design takes in a dry home and in a damp one. */
import { reckonWaitIn } from '../../../../core/design/wait-subject'
import type { ResolvedDesign, ResolvedNeed } from '../../../../core/design/resolve-design'
import { CLIMATE_PRESETS } from '../../../../core/drying/climate-presets'
import { present } from '../../../../core/present'
import type { GaugeStandard } from '../../../../core/materials/wire-gauge'
import { remember } from '../../../shared/http/remember.server'
import type { HomeDrying } from '../../words/home-times'

const placeOf = (id: string) =>
	present(
		CLIMATE_PRESETS.find((one) => one.id === id),
		`the climate ${id}`,
	)
/** A flat in winter, and one in a sultry summer. */
const DRY = placeOf('heated-winter')
const DAMP = placeOf('damp-summer')
const rememberWait = remember<HomeDrying>(2000)

/** Of what can be computed; what cannot takes what the design says, wherever it is. */
export function homeDrying(design: ResolvedDesign, need: ResolvedNeed, standard: GaugeStandard): HomeDrying {
	const usual = (need.wait?.usualMinutes ?? 0) / 60
	if (need.wait?.isByHand) return { dry: usual, damp: usual }
	const { parts, steps, layers, mixtures } = design
	return rememberWait([{ parts, steps, layers, mixtures }, need, standard], () => {
		const hours = (place: typeof DRY) => {
			const reckoned = reckonWaitIn(place, design, need, standard)
			return reckoned === 'never' ? undefined : (reckoned?.p90 ?? usual)
		}
		return { dry: hours(DRY), damp: hours(DAMP) }
	})
}
