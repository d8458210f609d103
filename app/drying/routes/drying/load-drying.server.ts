/** What the drying screen shows at first: the question of its address, answered. */
import { InputError } from '../../../../core/errors'
import { predictStages } from '../../../../core/drying/predict-stages'
import { summariseBelief } from '../../../../core/drying/pace-belief'
import { beliefOf } from '../../../../core/plan/compile/drying-terms'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { listDryingNotes } from '../../../../db/repositories/drying-notes.server'
import { listDesignOptions } from '../../../../db/repositories/designs.server'
import { askDrying, toQuestion, type Known } from '../../ask-drying'
import { readAddress } from '../../read-address'
import { remember } from '../../../shared/http/remember.server'
import { readDryingTerms } from '../../drying-terms.server'
import { STAGE_WORDS } from '../../words/drying'
import { pieceWords } from './piece-words'
import { listPieces } from './list-pieces.server'

const MOST_BESIDE = 3
const rememberAnswer = remember<DryingAnswer>(200)

export async function loadDrying(studio: Studio, search: URLSearchParams) {
	const [terms, notes, designs] = await Promise.all([
		readDryingTerms(studio),
		listDryingNotes(studio.id),
		listDesignOptions(studio.id),
	])
	const { places, standard, observations } = terms
	const known: Known = { places, standard, observations }
	const { address, problems, isAnswerable } = readAddress(search, known)
	const design = search.get('design') ?? ''
	return {
		address,
		known,
		problems,
		answer: isAnswerable ? rememberAnswer([address, known], () => askDrying(address, known)) : undefined,
		beside: search
			.getAll('also')
			.slice(0, MOST_BESIDE)
			.map((text) => readAddress(new URLSearchParams(text), known))
			.filter((read) => read.problems.length === 0)
			.map((read) => read.address),
		belief: summariseBelief(beliefOf(known, address.paste)),
		notes: notes.map(({ id, paste, what, modelHours, notReadyHours, readyHours }) => {
			return { id, paste, what, modelHours, notReadyHours, readyHours }
		}),
		ownPastes: studio.ownPastes,
		designs: designs.map(({ slug, name }) => ({ slug, name })),
		design,
		pieces: design === '' ? [] : await listPieces(studio.id, design),
	}
}

export type DryingData = Awaited<ReturnType<typeof loadDrying>>

/**
 * What a note of an address is about: the piece in words, and the model's own time, as it stands before anything was
 * learnt.
 *
 * @throws {InputError} the address is none, or the stage is never reached there
 */
export async function describeNote(studio: Studio, search: URLSearchParams) {
	const { places, standard, observations } = await readDryingTerms(studio)
	// As the model has it before anything was learnt, of the place too.
	const known: Known = { places: places.map(({ pace: _, ...place }) => place), standard, observations }
	const { address, problems } = readAddress(search, known)
	if (problems.length > 0) throw new InputError(problems)
	const { piece, path, stage } = toQuestion(address, known)
	const modelHours = predictStages(piece, path, { until: stage })[stage]
	if (modelHours === undefined)
		throw new InputError([
			{ path: 'readyHours', message: 'The model never gets there in this air: nothing to learn from' },
		])
	return {
		paste: address.paste,
		what: `${pieceWords(address, { known })}, ${STAGE_WORDS[stage]}`.slice(0, 160),
		modelHours,
		...(placeOf(address, known) && { placeId: address.room }),
	}
}

/** It lies there all the time. */
function placeOf({ room, moved }: ReturnType<typeof readAddress>['address'], { places }: Known): boolean {
	return moved === undefined && places.some(({ id }) => id === room)
}
