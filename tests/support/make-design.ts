/** Small designs for tests, written by what matters in them. */
import {
	DESIGN_FORMAT,
	DESIGN_FORMAT_VERSION,
	type Design,
	type Need,
	type Part,
	type Step,
} from '../../core/design/design'

export function makeDesign(terms: Partial<Design> & Pick<Design, 'parts' | 'steps'>): Design {
	return {
		format: DESIGN_FORMAT,
		formatVersion: DESIGN_FORMAT_VERSION,
		id: 'test',
		name: 'Test',
		kind: 'flower',
		level: 2,
		finishedSizeMm: 80,
		summary: 'For a test.',
		choices: [],
		techniques: [],
		layers: [],
		...terms,
	}
}

export function makePart(id: string, terms: Partial<Part> = {}): Part {
	return {
		id,
		role: 'petal',
		tint: 'blush',
		name: id,
		piecesPerFlower: 5,
		form: { type: 'cut', outline: 'petal', widthMm: 30, lengthMm: 40, thicknessMm: 1 },
		colour: 'white',
		breakage: 0.08,
		...terms,
	}
}

export function makeStep(id: string, part: string | undefined, needs: Need[] = [], terms: Partial<Step> = {}): Step {
	return {
		id,
		...(part && { part }),
		label: id,
		minutesPerPiece: 3,
		fixedMinutes: 1,
		sentence: `Do ${id}.`,
		tools: [],
		places: ['class'],
		teaching: 'worth',
		needs,
		hazards: [],
		...terms,
	}
}
