/** What is believed of how much paste is used against what is reckoned: by paste, and by kind of piece beside it. */
import { PASTE_CLASS_SD, PASTE_KIND_SD, PASTE_USE_SD } from '../vocabulary/spreads'
import { inferEffects, type Posterior } from './linear-gaussian'
import type { Moments } from './truncated-normal'

export interface PasteObservation {
	id: string
	paste: string
	/** Of pieces, as the design calls their role; absent: of several. */
	kind?: string
	/** Grams, > 0. */
	reckonedG: number
	usedG: number
}

export class PasteBelief {
	readonly #posterior: Posterior
	readonly #keys = new Map<string, number>()

	/** @throws {RangeError} grams that are none */
	constructor(observations: readonly PasteObservation[]) {
		const ordered = observations.toSorted((a, b) => (a.id < b.id ? -1 : 1))
		const values = ordered.map((own) => {
			if (!(own.reckonedG > 0 && own.usedG > 0))
				throw new RangeError(`grams must be > 0: ${own.usedG} of ${own.reckonedG}`)
			const ratio = Math.log(own.usedG / own.reckonedG)
			return { effects: keysOf(own).map((key) => this.#numberOf(key)), low: ratio, high: ratio, sd: PASTE_CLASS_SD }
		})
		const effects = [...this.#keys.keys()].map((key) => ({ mean: 0, sd: spreadOf(key) }))
		this.#posterior = inferEffects(effects, values, { groupSd: 0 })
	}

	/** ln of used to reckoned. */
	ratioOf(piece: Pick<PasteObservation, 'paste' | 'kind'>): Moments {
		const keys = keysOf(piece)
		const known = keys.flatMap((key) => this.#keys.get(key) ?? [])
		const { mean, variance } = this.#posterior.sumOf(known)
		const unknown = keys.filter((key) => !this.#keys.has(key))
		return { mean, variance: unknown.reduce((sum, key) => sum + spreadOf(key) ** 2, variance) }
	}

	#numberOf(key: string): number {
		const number = this.#keys.get(key) ?? this.#keys.size
		this.#keys.set(key, number)
		return number
	}
}

/** Each paste by itself, and then each of its kinds that was seen by itself; in order of name. */
export function kindsOfPaste<Seen extends Pick<PasteObservation, 'paste' | 'kind'>>(
	seen: readonly Seen[],
): Pick<PasteObservation, 'paste' | 'kind'>[] {
	return [...new Set(seen.map(({ paste }) => paste))].toSorted().flatMap((paste) => {
		const kinds = new Set(seen.flatMap((own) => (own.paste === paste && own.kind !== undefined ? [own.kind] : [])))
		return [{ paste }, ...[...kinds].toSorted().map((kind) => ({ paste, kind }))]
	})
}

const PASTE = 'paste '

function keysOf({ paste, kind }: Pick<PasteObservation, 'paste' | 'kind'>): string[] {
	return [PASTE + paste, ...(kind === undefined ? [] : [`kind ${paste}: ${kind}`])]
}

function spreadOf(key: string): number {
	return key.startsWith(PASTE) ? PASTE_USE_SD : PASTE_KIND_SD
}
