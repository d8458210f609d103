/**
 * What a wait is for: a piece of paste that dries, or a film of paint, glaze or glue on pieces that have dried before.
 * A wait after a step belongs to that step's part, whoever waits.
 */
import { FILM_SPREAD, filmWaitSec, type FilmWait } from '../drying/film-waits'
import { toBodies, type DryingSubject } from '../drying/built-flower'
import { airAt } from '../drying/climate'
import { forecast } from '../drying/forecast'
import { FIRST_BELIEF } from '../drying/pace-belief'
import { bodySoFar } from './body-so-far'
import { kindsUsed } from './kinds-used'
import { kindsOfStep } from './step-work'
import { pieceOfPart } from './piece-of-part'
import { ORDINARY_PLACE, type Place } from '../drying/place'
import type { GaugeStandard } from '../materials/wire-gauge'
import type { MaterialKind, Need } from './design'
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import type { Paste } from '../vocabulary/paste'
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from './resolve-design'

export type WaitSubject =
	/** A piece, or the body that is built of several. */
	| { type: 'piece'; piece: DryingSubject; stage: DryingStage; paste: Paste | undefined; what: 'piece' | 'body' }
	/** At least one. */
	| { type: 'films'; films: FilmWait[] }

/** What stands on a piece after a step, by its materials. */
const FILM_OF: Partial<Record<MaterialKind, FilmWait>> = {
	glaze: 'glaze',
	'strong alcohol': 'alcohol paint',
	'gel colour': 'gel smear',
}

type Context = Pick<ResolvedDesign, 'parts' | 'steps' | 'layers' | 'mixtures'>

/** One for each kind of piece concerned: the slowest of them counts. None: nothing of it can be computed. */
export function subjectsOfWait(
	design: Context,
	from: ResolvedStep,
	stage: DryingStage | undefined,
	standard: GaugeStandard,
): WaitSubject[] {
	const kinds = kindsOfStep(design, from)
	if (stage !== undefined) {
		const body = bodySoFar(design, from)
		if (body) return [{ type: 'piece', piece: toBodies(body.flower), stage, paste: body.paste, what: 'body' }]
		const own = piecesThatDry(design, kinds, stage, standard)
		const earlier = driedBefore(design, from)
		if (own.length > 0 && earlier === undefined) return own
		// Dried to some stage before, it goes on drying to a later one, whatever is put on it meanwhile.
		if (own.length > 0 && earlier !== undefined && isLater(stage, earlier))
			return [...own, ...filmSubjects(design, from, stage, kinds[0])]
	}
	return filmSubjects(design, from, stage, kinds[0])
}

/** Hours at even odds and 9 in 10 in an ordinary room; undefined: nothing can be computed. */
export function reckonUsualWait(
	design: Context,
	need: Need,
	standard: GaugeStandard,
): { p50: number; p90: number } | 'never' | undefined {
	return reckonWaitIn(ORDINARY_PLACE, design, need, standard)
}

/** The same in another place, whose air stays as it is at noon. */
export function reckonWaitIn(
	place: Pick<Place, 'climate' | 'movement'>,
	design: Context,
	need: Need,
	standard: GaugeStandard,
): { p50: number; p90: number } | 'never' | undefined {
	const from = design.steps.find(({ id }) => id === need.after)
	const subjects = need.wait && from ? subjectsOfWait(design, from, need.wait.stage, standard) : []
	const reckoned = subjects.map((subject) => reckonSubject(subject, place))
	if (reckoned.length === 0) return undefined
	return reckoned.reduce((slowest, one) => {
		if (slowest === 'never' || one === 'never') return 'never'
		return one.p90 > slowest.p90 ? one : slowest
	})
}

function reckonSubject(
	subject: WaitSubject,
	{ climate, movement }: Pick<Place, 'climate' | 'movement'>,
): { p50: number; p90: number } | 'never' {
	if (subject.type === 'piece') {
		const path = { startMinuteOfDay: 0, stays: [{ hours: Infinity, climate, movement }] }
		const { p50, plan } = forecast(subject.piece, path, FIRST_BELIEF, subject.stage).stages[subject.stage]
		return p50 === undefined || plan === undefined ? 'never' : { p50, p90: plan }
	}
	const air = { ...airAt(climate, 12 * 60), movement }
	const p50 = Math.max(...subject.films.map((film) => filmWaitSec(film, air) ?? Infinity)) / 3600
	return p50 === Infinity ? 'never' : { p50, p90: p50 * FILM_SPREAD }
}

/**
 * What dries on the surface after the step: glue, gel, paint or glaze, by the materials that it uses. Gel let down in
 * strong alcohol is one film, of alcohol; glue is reckoned only where it soaks into paste.
 */
function filmsOf(kinds: readonly MaterialKind[], stage: DryingStage | undefined, isPaste: boolean): FilmWait[] {
	const isLetDown = kinds.includes('strong alcohol')
	return kinds.flatMap((kind): FilmWait[] => {
		if ((kind === 'gel colour' && isLetDown) || (kind === 'edible glue' && !isPaste)) return []
		if (kind === 'edible glue') return [stage === 'skin' || stage === 'touch' ? 'glue grips' : 'glue holds']
		const film = FILM_OF[kind]
		return film ? [film] : []
	})
}

function piecesThatDry(
	design: Context,
	kinds: readonly ResolvedPart[],
	stage: DryingStage,
	standard: GaugeStandard,
): WaitSubject[] {
	return kinds.flatMap((part): WaitSubject[] => {
		const piece = pieceOfPart(part, design.parts, standard)
		const paste = part.paste ?? sourcePaste(design, part.form)
		return piece ? [{ type: 'piece', piece, stage, paste, what: 'piece' }] : []
	})
}

function filmSubjects(
	design: Context,
	from: ResolvedStep,
	stage: DryingStage | undefined,
	part: ResolvedPart | undefined,
): WaitSubject[] {
	const films = filmsOf(kindsUsed(design, from), stage, isOfPaste(design, part))
	return films.length === 0 ? [] : [{ type: 'films', films }]
}

function isLater(stage: DryingStage, than: DryingStage): boolean {
	return DRYING_STAGES.indexOf(stage) > DRYING_STAGES.indexOf(than)
}

/** The latest stage that an earlier wait of the same part has dried the step's pieces to; undefined: none has. */
function driedBefore({ steps }: Context, from: ResolvedStep): DryingStage | undefined {
	let latest: DryingStage | undefined
	const seen = new Set([from])
	for (const step of seen) {
		for (const { after, wait } of step.needs) {
			const before = steps.find(({ id }) => id === after)
			if (!before || before.part !== from.part) continue
			if (wait?.stage && (latest === undefined || isLater(wait.stage, latest))) latest = wait.stage
			seen.add(before)
		}
	}
	return latest
}

/** Whether glue on the part, or on what is put together, meets paste. */
function isOfPaste(design: Context, part: ResolvedDesign['parts'][number] | undefined): boolean {
	return part === undefined || (part.paste ?? sourcePaste(design, part.form)) !== undefined
}

/** A derived part is of the paste that it was made from. */
function sourcePaste({ parts }: Context, form: ResolvedDesign['parts'][number]['form']): Paste | undefined {
	return form.type === 'derived' ? parts.find(({ of }) => of === form.fromPart)?.paste : undefined
}
