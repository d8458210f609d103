import type { MaterialKind, Mixture, Step } from './design'

/** Kinds of everything that a step puts on: its materials, and the mixtures of a kind that it uses. */
export function kindsUsed(
	{ mixtures = [] }: { mixtures?: readonly Mixture[] },
	{ materials = [], uses = [] }: Pick<Step, 'materials' | 'uses'>,
): MaterialKind[] {
	const ofMixtures = uses.flatMap(({ mixture }) => mixtures.find(({ id }) => id === mixture)?.kind ?? [])
	return [...new Set([...materials.map(({ kind }) => kind), ...ofMixtures])]
}
