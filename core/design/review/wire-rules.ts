import { pieceMassG } from '../../materials/piece-mass'
import { bendingStressMpa, finestHoldingGauge, holds } from '../../materials/wire-strength'
import { wireDiameterMm } from '../../materials/wire-gauge'
import { changePart } from '../edits/edit-parts'
import { pieceSize } from '../flower-geometry'
import type { ReviewRule } from './finding'

/** A wire too thin for its piece: it bends under the piece's own weight. */
export const strengthenWires: ReviewRule = ({ resolved, picks, standard }) => {
	return resolved.parts.flatMap(({ id, of, size, name, form, wire }) => {
		const massG = pieceMassG(form)
		if (!wire || massG === 0) return []
		const load = { massG, lengthMm: pieceSize(form).lengthMm, wireCount: wire.perPiece ?? 1 }
		if (holds(load, wire.gauge, standard)) return []
		const gauge = finestHoldingGauge(load, standard)
		const stress = bendingStressMpa(load, wireDiameterMm(wire.gauge, standard))
		return [
			{
				id: `thin-wire ${id}`,
				part: of,
				message: `${name}: a ${wire.gauge} gauge wire is thin for a piece of ${massG.toFixed(1)} g.`,
				reason: `Held level, the piece bends it with ${Math.round(stress)} MPa; soft iron wire gives at about 300.`,
				// A size may have a wire of its own: a person decides for which.
				...(gauge !== undefined &&
					size === undefined && {
						fix: {
							label: `Use ${gauge} gauge`,
							apply: (design) => changePart(design, of, { wire: { ...wire, gauge } }, { picks }),
						},
					}),
			},
		]
	})
}
