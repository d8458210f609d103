/** A question about drying as an address holds it: a piece, where it dries, and when it is wanted. */
import { mixed, number, object, string, type InferType } from 'yup'
import { DRYING_STAGES, type BackFace, type DryingStage } from '../../core/vocabulary/drying-stage'
import type { Paste } from '../../core/vocabulary/paste'
import { AIR_MOVEMENTS, type AirMovement } from '../../core/drying/air-film'
import { discDiameterMm, discThicknessMm, pasteMassG } from '../../core/materials/piece-mass'
import type { FormedForm } from '../../core/vocabulary/piece-form'
import { PASTE_TERMS } from '../../core/drying/paste-terms'
import type { DriedPart } from '../../core/design/piece-of-part'
import { BACK_FACTORS } from '../../core/drying/drying-piece'

export const SHAPES = ['sheet', 'ball', 'cone', 'drop', 'cylinder', 'moulded'] as const
export type Shape = (typeof SHAPES)[number]

/** A longer wait the screen does not ask about. */
export const MOST_DRYING_DAYS = 30

const PASTES = Object.keys(PASTE_TERMS) as Paste[]
const BACKS = Object.keys(BACK_FACTORS) as BackFace[]

const size = (min: number, max: number, unit = 'mm') => {
	const message = `A number from ${min} to ${max} ${unit}`
	return number().typeError(message).min(min, message).max(max, message)
}
const timeOfDay = string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time as 18:30')

/** Every field has a usual value, so that an empty address is a question too. */
export const dryingSchema = object({
	/** What it is, in words; absent: a piece of no design. */
	what: string().max(80),
	paste: mixed<Paste>().oneOf(PASTES, 'Choose a paste that there are figures for').default('gum paste'),
	/** Name of an own paste, and how fast it dries. */
	own: string().max(60),
	pace: size(0.25, 4, 'times').default(1),
	shape: mixed<Shape>().oneOf(SHAPES, 'Choose a shape').default('sheet'),
	thickness: size(0.2, 12).default(0.7),
	/** Of a sheet, along the air. */
	wide: size(3, 400).default(40),
	diameter: size(1, 80).default(16),
	length: size(1, 300).default(24),
	mass: size(0.2, 500, 'g').default(12),
	/** Wire gauge, 0 without. */
	gauge: number().integer().min(0).max(36).default(0),
	back: mixed<BackFace>().oneOf(BACKS, 'Choose what it lies on').default('ventilated'),
	stage: mixed<DryingStage>().oneOf(DRYING_STAGES, 'Choose a stage').default('firm'),
	/** Place of the studio, 0 for air of one's own choice. */
	room: number().integer().min(0).default(0),
	temperature: size(5, 40, '°C').default(21),
	humidity: size(5, 95, '%').default(50),
	air: mixed<AirMovement>().oneOf(AIR_MOVEMENTS, 'Choose how the air moves').default('still'),
	start: timeOfDay.default('19:30'),
	/** Moved to another place at that time; empty: it stays. */
	moved: timeOfDay.default(undefined),
	then: number().integer().min(0).default(0),
	/** Turned over, or taken off its former, after so many hours; 0: left alone. */
	turn: size(0, 200, 'h').default(0),
	off: size(0, 200, 'h').default(0),
	/** Wanted so many days later, at that time. */
	days: size(0, MOST_DRYING_DAYS, 'days').integer('Whole days').default(1),
	by: timeOfDay.default('18:30'),
})
export type DryingAddress = InferType<typeof dryingSchema>

/** The piece of an address, as a part of a design would say it. */
export function partOf(address: DryingAddress): DriedPart {
	const { paste, own, pace, gauge, back, shape } = address
	return {
		id: 'piece',
		paste,
		...((own || pace !== 1) && { ownPaste: { name: own ?? 'own paste', paceFactor: pace } }),
		drying: { backFace: back, former: '' },
		...(gauge > 0 && { wire: { gauge, lengthMm: 90, colour: 'white', insertedFraction: 1 } }),
		form: formOf(shape, address),
	}
}

function formOf(shape: Shape, { thickness, wide, diameter, length, mass }: DryingAddress): DriedPart['form'] {
	if (shape === 'sheet')
		return { type: 'cut', outline: 'ellipse', widthMm: wide, lengthMm: wide, thicknessMm: thickness }
	if (shape === 'moulded') return { type: 'moulded', massG: mass }
	return { type: 'formed', body: shape, diameterMm: diameter, lengthMm: length }
}

/** What an address must say of a part to ask for it; undefined: it has no paste of its own. */
export function addressOfPart(
	part: DriedPart & { name?: string },
	parts: readonly DriedPart[],
): Partial<DryingAddress> | undefined {
	const { form } = part
	if (form.type === 'derived') {
		const source = parts.find(({ id, of = id }) => of === form.fromPart)
		return source && source.form.type !== 'derived' ? addressOfPart(source, parts) : undefined
	}
	if (form.type === 'bought' || !part.paste) return undefined
	return {
		paste: part.paste,
		...(part.ownPaste && { own: part.ownPaste.name, pace: part.ownPaste.paceFactor }),
		back: part.drying?.backFace ?? 'board',
		...(part.wire && { gauge: part.wire.gauge }),
		...sizesOf(form),
	}
}

function sizesOf(form: Exclude<DriedPart['form'], { type: 'derived' | 'bought' }>): Partial<DryingAddress> {
	switch (form.type) {
		case 'cut':
			return {
				shape: 'sheet',
				thickness: form.thicknessMm,
				wide: Math.round(10 * Math.sqrt(form.widthMm * form.lengthMm)) / 10,
			}
		case 'moulded':
			return { shape: 'moulded', mass: form.massG }
		case 'formed':
			return formedSizes(form)
	}
}

function formedSizes(form: FormedForm): Partial<DryingAddress> {
	const { body, diameterMm: diameter, lengthMm: length = diameter } = form
	if (body === 'flattened ball') return { shape: 'sheet', thickness: discThicknessMm(form), wide: discDiameterMm(form) }
	if (body === 'half ball') return { shape: 'moulded', mass: pasteMassG(form) }
	return { shape: body, diameter, length }
}

/** A link to the question, and to those kept beside it; what is as usual is left out. */
export function toDryingLink(address: Partial<DryingAddress>, beside: readonly Partial<DryingAddress>[] = []): string {
	const search = toSearch(address)
	for (const kept of beside) search.append('also', String(toSearch(kept)))
	return search.size > 0 ? `/drying?${search}` : '/drying'
}

function toSearch(address: Partial<DryingAddress>): URLSearchParams {
	const usual = dryingSchema.getDefault() as Record<string, unknown>
	const told = Object.entries(address).filter(
		// The room is always told: none told is the studio's first.
		([key, value]) => value !== undefined && value !== '' && (key === 'room' || value !== usual[key]),
	)
	return new URLSearchParams(told.map(([key, value]) => [key, String(value)]))
}
