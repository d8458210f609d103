import type { PlacePace } from '../../../core/learn/place-pace'
import { count } from '../../shared/words/times'

/** 'Dries 0.86 times as fast as its air says (0.74 to 1.01), from 5 looks.' */
export function foundWords({ pace: { at, ninety }, entries }: PlacePace): string {
	return `Dries ${at.toFixed(2)} times as fast as its air says (${ninety[0].toFixed(2)} to ${ninety[1].toFixed(2)}), from ${count(entries, 'look')}.`
}
