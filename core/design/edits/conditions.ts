/** Where a change is written: into the usual terms, or into what an option changes. */
import type { Condition } from '../design'
import type { Picks } from '../resolve-design'
import { holdsUnder, type Varying } from '../variants'

/** What is shown while somebody edits, and where changes go. */
export interface EditScope {
	picks: Picks
	/** Changes hold under this option alone; absent: they go where the value shown comes from. */
	only?: { choice: string; option: string }
}

/**
 * An item with some of its terms changed: each value replaces the one that is shown, in the variant or the usual terms
 * that it comes from; or, within an option, in that option's own variant.
 */
export function changeVarying<T extends Varying>(item: T, change: object, { picks, only }: EditScope): T {
	if (only) return { ...item, variants: changeOwnVariant(item.variants ?? [], change, only) }
	return Object.entries(change).reduce<T>((changed, [key, value]) => {
		const variants = changed.variants ?? []
		const shown = variants.findLastIndex(({ when, set }) => key in set && holdsUnder(picks, when))
		if (shown < 0) return withValues(changed, { [key]: value as unknown })
		return {
			...changed,
			variants: variants.map((variant, v) =>
				v === shown ? { ...variant, set: { ...variant.set, [key]: value } } : variant,
			),
		}
	}, item)
}

/** The item with values replaced; `undefined` takes one away. */
export function withValues<T extends object>(item: T, change: object): T {
	const entries = Object.entries({ ...item, ...change }).filter(([, value]) => value !== undefined)
	return Object.fromEntries(entries) as T
}

/** The variant of just that option is changed, or made; others that hold under more than it stay as they are. */
function changeOwnVariant(
	variants: NonNullable<Varying['variants']>,
	change: object,
	only: { choice: string; option: string },
) {
	const isOwn = ({ when }: { when: Condition }) => {
		const [entry, ...others] = Object.entries(when)
		return others.length === 0 && entry?.[0] === only.choice && entry[1].length === 1 && entry[1][0] === only.option
	}
	if (variants.some(isOwn)) {
		return variants.map((variant) => (isOwn(variant) ? { ...variant, set: { ...variant.set, ...change } } : variant))
	}
	return [...variants, { when: { [only.choice]: [only.option] }, set: change }]
}

/** Conditions without an option that is gone; one that is left without options no longer holds anything back. */
export function forgetOption(when: Condition | undefined, choice: string, option: string): Condition | undefined {
	const { [choice]: options, ...others } = when ?? {}
	if (!options) return when
	const left = options.filter((id) => id !== option)
	const kept = left.length > 0 ? { ...others, [choice]: left } : others
	return Object.keys(kept).length > 0 ? kept : undefined
}
