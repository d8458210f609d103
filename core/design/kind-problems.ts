/** Sizes, colours and spares of parts that cannot be. */
import type { Design, Part } from './design'
import type { DesignProblem } from './validate-design'

/** Sizes make what the part makes, and are named as they are; colours of a marble make a whole. */
export function kindProblems({ parts, steps, layers }: Design): DesignProblem[] {
	const sizesOf = (id: string | undefined) => {
		const part = parts.find((one) => one.id === id)
		return new Set([part, ...(part?.variants ?? []).map(({ set }) => set)].flatMap((one) => sizeNames(one?.sizes)))
	}
	const unknown = (path: string, names: readonly string[], part: string | undefined) => {
		const known = sizesOf(part)
		return names.flatMap((size, n) => {
			return known.has(size) ? [] : [{ path: path.replace('*', String(n)), message: `there is no size "${size}"` }]
		})
	}
	return [
		...parts.flatMap((part, p) => [
			...termProblems(part, `/parts/${p}`),
			...(part.variants ?? []).flatMap(({ set }, v) => termProblems(set, `/parts/${p}/variants/${v}/set`)),
		]),
		...steps.flatMap(({ part, sizes = [], minutesBySize = {} }, s) => [
			...unknown(`/steps/${s}/sizes/*`, sizes, part),
			...unknown(`/steps/${s}/minutesBySize`, Object.keys(minutesBySize), part),
		]),
		...layers.flatMap(({ part, sizes = [] }, l) => unknown(`/layers/${l}/sizes/*`, sizes, part)),
	]
}

type KindTerms = Partial<Pick<Part, 'sizes' | 'marbled' | 'spares' | 'piecesPerFlower'>>

function termProblems({ sizes = [], marbled, spares, piecesPerFlower }: KindTerms, path: string): DesignProblem[] {
	const problems: DesignProblem[] = []
	const names = sizeNames(sizes)
	sizes.forEach(({ name }, z) => {
		if (names.indexOf(name) < z)
			problems.push({ path: `${path}/sizes/${z}/name`, message: `the size "${name}" is there twice` })
	})
	const made = sizes.reduce((sum, { pieces }) => sum + pieces, 0)
	const isCertain = sizes.length > 0 && sizes.every(({ when }) => when === undefined)
	if (isCertain && piecesPerFlower !== undefined && made !== piecesPerFlower)
		problems.push({
			path: `${path}/piecesPerFlower`,
			message: `must be the ${made} of its sizes, got ${piecesPerFlower}`,
		})
	const whole = marbled?.reduce((sum, { share }) => sum + share, 0) ?? 1
	if (Math.abs(whole - 1) > SHARE_ROUNDING)
		problems.push({ path: `${path}/marbled`, message: `the shares must make 1, got ${Number(whole.toFixed(3))}` })
	if (spares?.type === 'in all' && piecesPerFlower !== undefined && spares.pieces < piecesPerFlower)
		problems.push({
			path: `${path}/spares/pieces`,
			message: `must be at least the ${piecesPerFlower} of a flower, got ${spares.pieces}`,
		})
	return problems
}

/** Three thirds written with two digits make a whole. */
const SHARE_ROUNDING = 0.011

function sizeNames(sizes: Part['sizes'] = []): string[] {
	return sizes.map(({ name }) => name)
}
