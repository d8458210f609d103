import type { DryingAddress } from '../../drying-address'
import { BACK_WORDS, MOVEMENT_WORDS } from '../../words/drying'
import type { Known } from '../../ask-drying'

/** 'Magnolia, inner petals (0.8 mm, on a former with holes), gum paste, Bench room'. */
export function pieceWords(address: DryingAddress, { known }: { known: Known }): string {
	const { what, shape, thickness, diameter, mass, back, own, paste, room, temperature, humidity, air } = address
	const size =
		shape === 'sheet' ? `${thickness} mm, ${BACK_WORDS[back]}` : shape === 'moulded' ? `${mass} g` : `${diameter} mm`
	const place = known.places.find(({ id }) => id === room)
	const where = place?.name ?? `${temperature} °C, ${humidity} %, ${MOVEMENT_WORDS[air]}`
	return `${what ?? shape} (${size}), ${own ?? paste}, ${where}`
}
