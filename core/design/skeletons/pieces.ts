/** Usual parts and steps in short, for skeletons. Minutes and waits are common practice, no source; the instructor sets her own. */
import type { Need, Part, PartRole, PartWire, Step, Tint } from '../design'
import type { PartForm } from '../../vocabulary/piece-form'

interface PartTerms {
	name: string
	role: PartRole
	tint: Tint
	pieces: number
	form: PartForm
	colour?: string
	wire?: PartWire
	paste?: Part['paste']
	former?: string
	breakage?: number
}

/** A part of gum paste, white, losing 8 in 100, unless said otherwise. */
export function part(
	id: string,
	{ name, role, tint, pieces, form, colour = 'white', wire, paste = 'gum paste', former, breakage = 0.08 }: PartTerms,
): Part {
	return {
		id,
		role,
		tint,
		name,
		piecesPerFlower: pieces,
		form,
		...(form.type !== 'bought' && { paste }),
		colour,
		...(wire && { wire }),
		...(former && { drying: { backFace: 'ventilated', former } }),
		breakage,
	}
}

/** A wire that goes 40 % into its piece. */
export function wire(gauge: number, lengthMm: number, colour = 'white'): PartWire {
	return { gauge, lengthMm, colour, insertedFraction: 0.4 }
}

interface StepTerms {
	label: string
	sentence: string
	each?: number
	once?: number
	needs?: Need[]
	technique?: string
	tools?: string[]
	leastPieces?: number
	materials?: Step['materials']
}

/** @param of - id of the part; undefined: the assembly */
export function step(
	id: string,
	of: string | undefined,
	{ label, sentence, each = 3, once = 1, needs = [], technique, tools = [], leastPieces, materials }: StepTerms,
): Step {
	return {
		id,
		...(of !== undefined && { part: of }),
		label,
		sentence,
		minutesPerPiece: each,
		fixedMinutes: once,
		...(technique && { technique }),
		tools,
		places: ['class', 'ahead'],
		teaching: 'worth',
		needs,
		...(leastPieces && { leastPieces }),
		...(materials && { materials }),
		hazards: [],
	}
}

/** After a step whose piece must have reached a stage. */
export function dried(after: string, stage: NonNullable<Need['wait']>['stage'], usualMinutes: number): Need {
	return { after, wait: { ...(stage && { stage }), usualMinutes, isSwappable: true } }
}

/** What most petals are coloured with. */
export const DUST = [{ name: 'petal dust', kind: 'dust' as const }]
