/** What a part is, by what it is called. Common practice, no source. */
import type { Design, PartRole } from '../design'

/** Read in this order: 'bud sepals' are sepals, a 'leaf base' is a leaf. */
const ROLE_WORDS: readonly (readonly [PartRole, RegExp])[] = [
	['sepal', /\b(sepals?|calyx(es)?|calyces)\b/],
	['leaf', /\b(leaf|leaves|bracts?|foliage|grass(es)?)\b/],
	['filler', /\b(stamens?|anthers?|pollen|berry|berries|seeds?|pips?)\b/],
	['petal', /\b(petals?|tepals?|florets?|rays?|spathes?|trumpets?|skirts?)\b/],
	['centre', /\b(cent(re|er)s?|cones?|cores?|hearts?|eyes?|discs?|pistils?|spadix|spadices)\b/],
	['bud', /\b(buds?)\b/],
	['base', /\b(bases?|balls?|stands?|rocks?|bodies|body|nests?)\b/],
]

const MAIN_ROLES: Record<Design['kind'], PartRole> = {
	flower: 'petal',
	foliage: 'leaf',
	ornament: 'decoration',
	topper: 'decoration',
}

/** @returns what a part of such a name usually is; for no known word, what a design of the kind is mostly made of */
export function roleOfName(name: string, kind: Design['kind']): PartRole {
	const words = name.toLowerCase()
	const known = ROLE_WORDS.find(([, pattern]) => pattern.test(words))
	return known?.[0] ?? MAIN_ROLES[kind]
}
