/** The pastes of the trade; a studio may have others that are like one of them. */
export const PASTES = [
	'gum paste',
	/** Half gum paste, half sugarpaste. */
	'modelling paste',
	/** Stiffened by 1-2 % of the powder. */
	'sugarpaste with CMC',
	/** Stiffened by icing sugar kneaded in: sets sooner, gets firm later, has no stretch. */
	'sugarpaste with icing sugar',
	'sugarpaste',
] as const
export type Paste = (typeof PASTES)[number]
