/**
 * Whether a wire holds its piece: the piece as a load on a cantilever, held where the paste begins.
 * Assumes soft iron wire and a piece held level, the worst that a hand does to it. A guide, not a proof: practice is
 * the judge.
 */
import { MAX_GAUGE, MIN_GAUGE, wireDiameterMm, type GaugeStandard } from './wire-gauge'

const GRAVITY_M_PER_S2 = 9.81
/** Bending stress in MPa at which soft iron wire stays bent; from memory, a setting. */
const YIELD_MPA = 300
/** Bare wire between the tape and the piece, mm; common practice, no source. */
const BARE_MM = 10

export interface WireLoad {
	/** Of the paste that it carries. */
	massG: number
	/** Of the piece along the wire. */
	lengthMm: number
	/** Wires that share the load. */
	wireCount: number
}

/**
 * Bending stress in MPa, σ = 32·M/(π·d³), of each wire.
 *
 * @see any textbook on the strength of materials: round section, M = force · lever
 */
export function bendingStressMpa({ massG, lengthMm, wireCount }: WireLoad, diameterMm: number): number {
	const momentNmm = (massG / 1000) * GRAVITY_M_PER_S2 * (lengthMm / 2 + BARE_MM)
	return (32 * momentNmm) / (wireCount * Math.PI * diameterMm ** 3)
}

/** Whether wires of the gauge stay straight under the load. */
export function holds(load: WireLoad, gauge: number, standard: GaugeStandard): boolean {
	return bendingStressMpa(load, wireDiameterMm(gauge, standard)) <= YIELD_MPA
}

/** The finest even gauge that holds the load, as florist wires are sold; undefined if none does. */
export function finestHoldingGauge(load: WireLoad, standard: GaugeStandard): number | undefined {
	for (let gauge = MAX_GAUGE; gauge >= MIN_GAUGE; gauge -= 2) if (holds(load, gauge, standard)) return gauge
	return undefined
}
