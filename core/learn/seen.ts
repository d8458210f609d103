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

/** Wires of a gauge and colour that were handed out in a class, counted back. */
export interface SeenWires {
	id: string
	classId: string
	/** YYYY-MM-DD. */
	date: string
	/** '26 gauge white'. */
	wire: string
	/** Pieces, whole, > 0; used: at most as many. */
	handed: number
	used: number
}

/** Students who stood waiting for a tool in a session, as somebody noted it. */
export interface SeenQueue {
	id: string
	classId: string
	/** YYYY-MM-DD. */
	date: string
	/** As the designs call it. */
	tool: string
	/** Of them at most so many at once, whole, >= 0: nobody waited, where that was said. */
	waiting: number
	/** Who were there, >= 1. */
	studentCount: number
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
	| { kind: 'wires'; observation: SeenWires }
	| { kind: 'queue'; observation: SeenQueue }

export type SeenKind = Seen['kind']

export type SeenInClass = Seen & {
	/** As the class is called. */
	className: string
}

/** 'inner petals: cut, wire, cup', 'inner petals', 'gum paste', '26 gauge white', 'petal veiner'. */
export function nameOfSeen(seen: Seen): string {
	switch (seen.kind) {
		case 'minutes':
			return seen.stepName
		case 'breakage':
			return seen.observation.partName
		case 'paste':
			return seen.observation.paste
		case 'wires':
			return seen.observation.wire
		case 'queue':
			return seen.observation.tool
	}
}
