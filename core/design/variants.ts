/** What exists, and how large, under the options that are chosen: one reading for plans, kits and the editor. */
import type { Condition } from './design'

/** Options by choice. */
type Chosen = Record<string, string>

/** Something that options may change. */
export interface Varying {
	variants?: { when: Condition; set: object }[]
}

/** Whether a condition holds under the picks; no condition always does. */
export function holdsUnder(picks: Chosen, when: Condition | undefined): boolean {
	return Object.entries(when ?? {}).every(([choice, options]) => options.includes(picks[choice] ?? ''))
}

/** The item with the variants whose options hold laid over its usual terms; it keeps its variants, for who edits it. */
export function settle<T extends Varying>(item: T, picks: Chosen): T {
	return (item.variants ?? [])
		.filter(({ when }) => holdsUnder(picks, when))
		.reduce((settled, { set }) => ({ ...settled, ...set }), item)
}
