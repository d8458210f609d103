/** Kits as whoever packs them sees them: what is exchanged, and never why. */
import type { ClassKit } from './class-kit'

/** Without what is known of people beyond their names, their places and their hands. */
export function withoutReasons<K extends Pick<ClassKit, 'seats' | 'exchanges'>>(kit: K): K {
	return {
		...kit,
		exchanges: kit.exchanges.map(({ reason: _, ...exchange }) => exchange),
		seats: kit.seats.map(({ number, student }) => ({
			number,
			...(student && { student: { ...student, avoids: [], diet: 'any' as const, isChild: false, notes: '' } }),
		})),
	}
}
