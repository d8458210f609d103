/** The pieces of a design that dry, as addresses. */
import { NotFoundError } from '../../../../core/errors'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { getDesigns } from '../../../../db/repositories/designs.server'
import { addressOfPart, type DryingAddress } from '../../drying-address'

export interface PieceChoice {
	name: string
	address: Partial<DryingAddress>
}

/** Empty where there is no such design. */
export async function listPieces(studioId: number, slug: string): Promise<PieceChoice[]> {
	try {
		const [found] = await getDesigns(studioId, [{ slug }])
		if (!found) return []
		const { name, parts } = resolveDesign(found.document, {})
		return parts.flatMap((part): PieceChoice[] => {
			const address = addressOfPart(part, parts)
			const what = `${name}, ${part.name.toLowerCase()}`.slice(0, 80)
			return address ? [{ name: part.name, address: { ...address, what } }] : []
		})
	} catch (error) {
		// A design that is gone is no reason to show nothing.
		if (error instanceof NotFoundError) return []
		throw error
	}
}
