/** The words of drying: stages, faces, air, what slows and what helps. */
import type { BackFace, DryingStage } from '../../../core/vocabulary/drying-stage'
import type { AirMovement } from '../../../core/drying/air-film'
import type { Rung, SlowReason } from '../../../core/drying/what-helps'
import type { StageForecast } from '../../../core/drying/forecast'
import type { FilmWait } from '../../../core/drying/film-waits'

export const STAGE_WORDS: Record<DryingStage, string> = {
	skin: 'skin',
	touch: 'touch-dry',
	set: 'set',
	firm: 'firm',
	hard: 'hard',
	settled: 'as dry as it gets here',
	through: 'dry all through',
}

export const BACK_WORDS: Record<BackFace, string> = {
	free: 'hangs free or stands on a rack',
	ventilated: 'on a former with holes',
	tissue: 'on tissue, or stuffed with it',
	foam: 'on foam',
	board: 'on a board',
	cake: 'stuck down on a cake',
}

export const MOVEMENT_WORDS: Record<AirMovement, string> = {
	sealed: 'closed box',
	still: 'still air',
	airy: 'airy',
	fan: 'fan',
	'strong fan': 'strong fan',
}

export const FILM_WORDS: Record<FilmWait, string> = {
	'gel smear': 'smear of gel colour',
	'alcohol paint': 'colour let down in strong alcohol',
	glaze: 'glaze',
	'glue grips': 'glue grips',
	'glue holds': 'glue holds',
}

/** 'the air is damp: 1.6 times as long'. */
export function slowWords({ cause, times }: SlowReason): string {
	const how = times === undefined ? 'it never gets there so' : `${times.toFixed(1)} times as long`
	return `${SLOW_WORDS[cause]}: ${how}`
}

const SLOW_WORDS: Record<SlowReason['cause'], string> = {
	back: 'its back gets little air',
	humidity: 'the air is damper than 50 %',
	cold: 'it is colder than 21 °C',
	thickness: 'it is thicker than 0.6 mm',
	paste: 'this paste holds its water longer than gum paste',
}

/** 'roll it 0.6 mm thin'. */
export function rungWords({ id, amount = 0 }: Pick<Rung, 'id' | 'amount'>): string {
	switch (id) {
		case 'turn over':
			return `turn it over after ${hoursWords(amount)}`
		case 'ventilated former':
			return 'lay it on a former with holes'
		case 'fan':
			return 'let a fan blow over it'
		case 'thinner':
			return `roll it ${amount.toFixed(1)} mm thin`
		case 'drier air':
			return `dry the air by ${Math.round(100 * amount)} points of humidity`
		case 'heating':
			return `heat the room by ${amount} °C, windows shut`
		case 'both drier and fan':
			return `dry the air by ${Math.round(100 * amount)} points, and a fan`
		case 'other paste':
			return 'make it of gum paste'
	}
}

/** '40 min', '3 h', '2 days': as long as drying is worth telling apart. */
export function hoursWords(hours: number): string {
	if (hours < 1.5) return `${Math.max(1, Math.round(hours * 60))} min`
	if (hours < 10) return `${Math.round(hours * 2) / 2} h`.replace('.5', '½')
	if (hours < 72) return `${Math.round(hours)} h`
	return hours < 24 * 60 ? `${Math.round(hours / 24)} days` : `${Math.round(hours / 24 / 30)} months`
}

/** 'sure, 9 in 10'; 'if the room holds, 8 in 10'. */
export function claimWords({ claim, chance }: Pick<StageForecast, 'claim' | 'chance'>): string {
	switch (claim) {
		case 'sure':
			return '9 in 10'
		case 'if the room holds':
			return `if the room holds${chance === undefined ? '' : `, ${tenths(chance)}`}`
		case 'unlikely':
			return 'not to be expected here'
		case 'never':
			return 'never here'
	}
}

/** '8 in 10'. */
export function tenths(chance: number): string {
	return `${Math.round(10 * chance)} in 10`
}

/** '4–7 h'; 'never here'. */
export function forecastWords({ p50, plan, claim }: Pick<StageForecast, 'p50' | 'plan' | 'claim'>): string {
	if (p50 === undefined || plan === undefined) return claimWords({ claim })
	return `${hoursRange(p50, plan)}${claim === 'sure' ? '' : ', if the room holds'}`
}

/** '4–7 h', or '40 min–2 h'. */
export function hoursRange(from: number, to: number): string {
	const [low, high] = [hoursWords(from), hoursWords(to)]
	if (low === high) return low
	const [lowValue, lowUnit] = low.split(' ')
	return lowUnit === high.split(' ')[1] ? `${lowValue}–${high}` : `${low}–${high}`
}
