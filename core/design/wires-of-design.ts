/** Every wire that a design names, wherever it stands. */
import type { Design, PartWire } from './design'

interface HasWires {
	wire?: PartWire
	sizes?: { wire?: PartWire }[]
	bundles?: { wire?: PartWire }
}

/** With their places, as `/parts/0/sizes/1/wire`. */
export function listWires({ parts, bundles = [] }: Design): { path: string; wire: PartWire }[] {
	const at = (path: string, wire: PartWire | undefined) => (wire ? [{ path, wire }] : [])
	const ofTerms = (path: string, { wire, sizes = [], bundles: bundled }: HasWires) => [
		...at(`${path}/wire`, wire),
		...sizes.flatMap((size, z) => at(`${path}/sizes/${z}/wire`, size.wire)),
		...at(`${path}/bundles/wire`, bundled?.wire),
	]
	return [
		...parts.flatMap((part, p) => [
			...ofTerms(`/parts/${p}`, part),
			...(part.variants ?? []).flatMap(({ set }, v) => ofTerms(`/parts/${p}/variants/${v}/set`, set)),
		]),
		...bundles.flatMap(({ wire }, b) => at(`/bundles/${b}/wire`, wire)),
	]
}

/** The design with every wire as the function makes it. */
export function mapWires(design: Design, change: (wire: PartWire) => PartWire): Design {
	const changeOne = <T extends { wire?: PartWire }>(item: T): T =>
		item.wire ? { ...item, wire: change(item.wire) } : item
	const changeAll = <T extends HasWires>(terms: T): T => ({
		...changeOne(terms),
		...(terms.sizes && { sizes: terms.sizes.map(changeOne) }),
		...(terms.bundles && { bundles: changeOne(terms.bundles) }),
	})
	return {
		...design,
		parts: design.parts.map((part) => ({
			...changeAll(part),
			...(part.variants && { variants: part.variants.map(({ when, set }) => ({ when, set: changeAll(set) })) }),
		})),
		...(design.bundles && { bundles: design.bundles.map(changeOne) }),
	}
}
