/** What a class leaves for learning, with the names that it is shown by. */
import type { PartObservation } from './learnt'
import type { MinutesObservation } from './minutes-belief'
import type { PasteObservation } from './paste-belief'

/** Pieces of a part in a session. */
export interface SeenPart extends PartObservation {
	classId: string
	/** YYYY-MM-DD. */
	date: string
	/** As the design calls the part. */
	partName: string
}

/** Paste of a class, weighed back. */
export interface SeenPaste extends PasteObservation {
	classId: string
	/** YYYY-MM-DD. */
	date: string
}

export type Seen =
	| {
			kind: 'minutes'
			/** 'inner petals: cut, wire, cup'. */
			stepName: string
			/** As the design calls it. */
			techniqueName?: string
			observation: MinutesObservation
	  }
	| { kind: 'breakage'; observation: SeenPart }
	| { kind: 'paste'; observation: SeenPaste }

export type SeenKind = Seen['kind']

export type SeenInClass = Seen & {
	/** As the class is called. */
	className: string
}

/** 'inner petals: cut, wire, cup', 'inner petals', 'gum paste'. */
export function nameOfSeen(seen: Seen): string {
	if (seen.kind === 'minutes') return seen.stepName
	return seen.kind === 'breakage' ? seen.observation.partName : seen.observation.paste
}
