/**
 * Pieces, built flowers and rooms as the command-line door takes them: `[{ piece, env }, { flower, env }]`, or an object
 * with them as `predictions`. An env may be a list of stays in the order of time; the last of them lasts.
 */
import { coreRadiusMm, layersAtFoot, toBodies, type DryingSubject, type Openness } from '../../core/drying/built-flower'
import type { AirMovement } from '../../core/drying/air-film'
import type { DryingPath, Stay } from '../../core/drying/climate'
import type { DryingBody } from '../../core/drying/drying-piece'
import { PASTE_TERMS, type PasteTerms } from '../../core/drying/paste-terms'
import type { BackFace } from '../../core/vocabulary/drying-stage'
import type { Paste } from '../../core/vocabulary/paste'
import { InputError, type FieldProblem } from '../../core/errors'
import { readAgainst } from '../read-document'
import requestSchema from '../schemas/drying-request.schema.json'

export interface DryingRequest {
	subject: DryingSubject
	path: DryingPath
}

interface Entry {
	piece?: PieceDocument
	flower?: FlowerDocument
	env: StayDocument | StayDocument[]
}

type PieceDocument = { paste: string; paceFactor?: number } & (
	| { shape: 'sheet'; thickness: number; face: BackFace; size?: number }
	| { shape: 'cylinder'; radius: number; wire?: number }
	| { shape: 'sphere'; radius: number; core?: number; size?: number }
	| { shape: 'cone'; base: number; height: number }
	| { shape: 'body'; radius: number; m: number }
)

interface FlowerDocument {
	paste: string
	paceFactor?: number
	petal: number
	layers?: number
	petals?: number
	footWidth?: number
	open?: Openness
	core: { kind: 'dry' | 'fresh'; radius?: number; base?: number; height?: number }
	size?: number
}

interface StayDocument {
	hours?: number
	T: number
	RH: number
	air?: AirMovement
}

/** Short names of pastes. */
const PASTES: Record<string, Paste> = {
	gum: 'gum paste',
	modelling: 'modelling paste',
	cmc: 'sugarpaste with CMC',
	icing: 'sugarpaste with icing sugar',
}

/** @throws {InputError} by place: every problem of the document at once */
export function readDryingRequest(document: unknown): DryingRequest[] {
	const isWrapped = typeof document === 'object' && document !== null && 'predictions' in document
	const list = readAgainst<Entry[]>(requestSchema, isWrapped ? document.predictions : document)
	const problems = list.flatMap(findProblems)
	if (problems.length > 0) throw new InputError(problems)
	return list.map(({ piece, flower, env }) => {
		const subject = piece ? toPiece(piece) : flower && toFlower(flower)
		if (!subject) throw new TypeError('an entry without a piece has passed')
		return { subject, path: toPath(env) }
	})
}

/** What the schema cannot say. */
function findProblems({ piece, flower, env }: Entry, i: number): FieldProblem[] {
	const problems: FieldProblem[] = []
	const say = (path: string, message: string) => problems.push({ path: `/${i}${path}`, message })
	if ((piece === undefined) === (flower === undefined)) say('', 'needs either a piece or a flower')
	if (piece?.shape === 'cylinder' && (piece.wire ?? 0) / 2 >= piece.radius)
		say('/piece/wire', 'must be smaller than the diameter')
	if (piece?.shape === 'sphere' && (piece.core ?? 0) >= piece.radius)
		say('/piece/core', 'must be smaller than the radius')
	if (flower) {
		const { layers, petals, footWidth, core } = flower
		if (layers === undefined && (petals === undefined || footWidth === undefined))
			say('/flower/layers', 'must be given, or petals and footWidth')
		if (core.radius === undefined && (core.base === undefined || core.height === undefined))
			say('/flower/core/radius', 'must be given, or base and height')
	}
	const stays = Array.isArray(env) ? env.slice(0, -1) : []
	stays.forEach(({ hours }, s) => {
		if (hours === undefined) say(`/env/${s}/hours`, 'must be given: only the last lasts')
	})
	return problems
}

function toPiece(piece: PieceDocument): DryingSubject {
	return { paste: toPaste(piece.paste), body: toBody(piece), ...paceOf(piece) }
}

function toFlower(flower: FlowerDocument): DryingSubject {
	const { petal, petals = 0, footWidth = 0, open = 'open', size } = flower
	const { kind, radius, base = 0, height = 0 } = flower.core
	const core = {
		isDry: kind === 'dry',
		...(radius === undefined ? { baseRadiusMm: base, heightMm: height } : { radiusMm: radius }),
	}
	return toBodies({
		paste: toPaste(flower.paste),
		petalMm: petal,
		core,
		layers: flower.layers ?? layersAtFoot(petals, footWidth, coreRadiusMm(core)),
		openness: open,
		...(size !== undefined && { sizeMm: size }),
		...paceOf(flower),
	})
}

function toPaste(name: string): PasteTerms {
	return PASTE_TERMS[PASTES[name] ?? (name as Paste)]
}

function paceOf({ paceFactor }: { paceFactor?: number }): { paceFactor?: number } {
	return paceFactor === undefined ? {} : { paceFactor }
}

function toBody(piece: PieceDocument): DryingBody {
	switch (piece.shape) {
		case 'sheet': {
			const { thickness, face, size } = piece
			return { type: 'sheet', thicknessMm: thickness, back: face, ...(size !== undefined && { sizeMm: size }) }
		}
		case 'cylinder':
			return { type: 'cylinder', radiusMm: piece.radius, wireRadiusMm: (piece.wire ?? 0) / 2 }
		case 'sphere': {
			const { radius, core, size } = piece
			return {
				type: 'sphere',
				radiusMm: radius,
				...(core !== undefined && { coreRadiusMm: core }),
				...(size !== undefined && { sizeMm: size }),
			}
		}
		case 'cone':
			return { type: 'cone', baseRadiusMm: piece.base, heightMm: piece.height }
		case 'body':
			// Any volume with the surface that belongs to it.
			return {
				type: 'body',
				inscribedRadiusMm: piece.radius,
				exposedAreaMm2: (piece.m + 1) * piece.radius ** 2,
				volumeMm3: piece.radius ** 3,
			}
	}
}

function toPath(env: Entry['env']): DryingPath {
	const stays = Array.isArray(env) ? env : [env]
	return {
		startMinuteOfDay: 0,
		stays: stays.map(({ hours, T, RH, air }, s): Stay => {
			return {
				hours: s === stays.length - 1 ? Infinity : (hours ?? Infinity),
				climate: { type: 'steady', temperatureC: T, humidity: RH },
				movement: air ?? 'still',
			}
		}),
	}
}
