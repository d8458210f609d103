import { useMemo } from 'react'
import { allergensOf } from '../../../../../core/design/allergens'
import { measureDesign } from '../../../../../core/design/design-figures'
import type { Design } from '../../../../../core/design/design'
import { shareFigures } from '../../../../../core/design/figure-shares'
import { measureRings } from '../../../../../core/design/flower-geometry'
import { keepValidPicks, resolveDesign, type Picks } from '../../../../../core/design/resolve-design'
import { reviewDesign } from '../../../../../core/design/review/review-design'
import type { GaugeStandard } from '../../../../../core/materials/wire-gauge'

/** What follows from a design under the shown options. */
export type Look = ReturnType<typeof look>

export function useLook(design: Design, picks: Picks, standard: GaugeStandard): Look {
	return useMemo(() => look(design, picks, standard), [design, picks, standard])
}

function look(design: Design, picks: Picks, standard: GaugeStandard) {
	const resolved = resolveDesign(design, keepValidPicks(design, picks))
	return {
		resolved,
		figures: measureDesign(resolved, standard),
		shares: shareFigures(resolved),
		rings: measureRings(resolved.parts, resolved.layers),
		allergens: allergensOf(resolved),
		findings: reviewDesign(design, resolved.picks, standard),
	}
}
