import type { Design, Need } from '../../core/design/design'
import { makeDesign, makePart, makeStep } from './make-design'

/** As large as a design may reasonably get: 30 parts with four steps each. */
export function largeDesign(): Design {
	const parts = Array.from({ length: 30 }, (_, p) => makePart(`part-${p}`, { name: `Part ${p}` }))
	const steps = parts.flatMap(({ id }) =>
		['cut', 'shape', 'dry', 'dust'].map((name, s, names) => {
			const needs: Need[] =
				s === 0
					? []
					: [{ after: `${id}-${names[s - 1] ?? ''}`, ...(s === 2 && { wait: { stage: 'hard', usualMinutes: 600 } }) }]
			return makeStep(`${id}-${name}`, id, needs)
		}),
	)
	const layers = parts.map(({ id }, p) => ({
		part: id,
		pieceCount: 5,
		radiusMm: 3 + p,
		arrangement: 'over gaps' as const,
	}))
	return makeDesign({ id: 'large', name: 'Large', parts, steps, layers })
}
