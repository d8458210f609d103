/** Wire diameters by gauge number, in the two schools of florist wire. The lower the number, the thicker. */
import { present } from '../present'

export type GaugeStandard = 'swg' | 'awg'

/** The thickest of the gauges that florists use; both standards know all of them. */
export const MIN_GAUGE = 14
/** The finest. */
export const MAX_GAUGE = 36

/** Standard Wire Gauge in mm, gauges 14 to 36. Source: BS 3737 (from memory), 1 thou = 0.0254 mm. */
const SWG_DIAMETERS_MM = [
	2.032, 1.829, 1.626, 1.422, 1.219, 1.016, 0.914, 0.813, 0.711, 0.61, 0.559, 0.508, 0.4572, 0.4166, 0.3759, 0.3454,
	0.315, 0.2946, 0.2743, 0.254, 0.2337, 0.2134, 0.193,
]

/**
 * Diameter in mm.
 *
 * @param gauge - whole, 14 to 36
 * @throws {RangeError} a gauge out of range
 * @see BS 3737 for `swg`; ASTM B258 for `awg`, d = 0.127 mm · 92^((36−n)/39)
 */
export function wireDiameterMm(gauge: number, standard: GaugeStandard): number {
	if (!Number.isInteger(gauge) || gauge < MIN_GAUGE || gauge > MAX_GAUGE) {
		throw new RangeError(`gauge must be whole and ${MIN_GAUGE} to ${MAX_GAUGE}, got ${gauge}`)
	}
	if (standard === 'awg') return 0.127 * 92 ** ((36 - gauge) / 39)
	return present(SWG_DIAMETERS_MM[gauge - MIN_GAUGE], `the diameter of gauge ${gauge}`)
}
