/**
 * Pieces and rooms as the command-line door takes them: `[{ piece, env }]`, or an object with them as `predictions`.
 * An env may be a list of stays in the order of time; the last of them lasts.
 */
import type { AirMovement } from '../../core/drying/air-film'
import type { DryingPath, Stay } from '../../core/drying/climate'
import type { DryingBody, DryingPiece } from '../../core/drying/drying-piece'
import { PASTE_TERMS } from '../../core/drying/paste-terms'
import type { BackFace } from '../../core/vocabulary/drying-stage'
import type { Paste } from '../../core/vocabulary/paste'
import { InputError, type FieldProblem } from '../../core/errors'
import { readAgainst } from '../read-document'
import requestSchema from '../schemas/drying-request.schema.json'

export interface DryingRequest {
	piece: DryingPiece
	path: DryingPath
}

interface Document {
	piece: { paste: string; paceFactor?: number } & (
		| { shape: 'sheet'; thickness: number; face: BackFace; size?: number }
		| { shape: 'cylinder'; radius: number; wireRadius?: number }
		| { shape: 'sphere'; radius: number }
		| { shape: 'cone'; base: number; height: number }
		| { shape: 'body'; inscribedRadius: number; area: number; volume: number }
	)
	env: StayDocument | StayDocument[]
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
	stiffened: 'stiffened sugarpaste',
}

/** @throws {InputError} by place: every problem of the document at once */
export function readDryingRequest(document: unknown): DryingRequest[] {
	const isWrapped = typeof document === 'object' && document !== null && 'predictions' in document
	const list = readAgainst<Document[]>(requestSchema, isWrapped ? document.predictions : document)
	const problems = list.flatMap(findProblems)
	if (problems.length > 0) throw new InputError(problems)
	return list.map(({ piece, env }) => ({ piece: toPiece(piece), path: toPath(env) }))
}

/** What the schema cannot say: a wire within its paste, and how long each stay but the last is. */
function findProblems({ piece, env }: Document, i: number): FieldProblem[] {
	const problems: FieldProblem[] = []
	if (piece.shape === 'cylinder' && (piece.wireRadius ?? 0) >= piece.radius)
		problems.push({ path: `/${i}/piece/wireRadius`, message: 'must be smaller than the radius' })
	const stays = Array.isArray(env) ? env.slice(0, -1) : []
	stays.forEach(({ hours }, s) => {
		if (hours === undefined)
			problems.push({ path: `/${i}/env/${s}/hours`, message: 'must be given: only the last lasts' })
	})
	return problems
}

function toPiece(piece: Document['piece']): DryingPiece {
	const paste = PASTE_TERMS[PASTES[piece.paste] ?? (piece.paste as Paste)]
	return { paste, body: toBody(piece), ...(piece.paceFactor !== undefined && { paceFactor: piece.paceFactor }) }
}

function toBody(piece: Document['piece']): DryingBody {
	switch (piece.shape) {
		case 'sheet': {
			const { thickness, face, size } = piece
			return { type: 'sheet', thicknessMm: thickness, back: face, ...(size !== undefined && { sizeMm: size }) }
		}
		case 'cylinder':
			return { type: 'cylinder', radiusMm: piece.radius, wireRadiusMm: piece.wireRadius ?? 0 }
		case 'sphere':
			return { type: 'sphere', radiusMm: piece.radius }
		case 'cone':
			return { type: 'cone', baseRadiusMm: piece.base, heightMm: piece.height }
		case 'body': {
			const { inscribedRadius, area, volume } = piece
			return { type: 'body', inscribedRadiusMm: inscribedRadius, exposedAreaMm2: area, volumeMm3: volume }
		}
	}
}

function toPath(env: Document['env']): DryingPath {
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
