import type { ResolvedDesign, ResolvedStep } from './resolve-design'

/** Words of a step that hangs up or packs; the others are told by what the step does. */
const LOADING_WORDS = /\b(hang|pack|wire up)/i

/**
 * Whether a step puts weight on what it is done to: it wires, ties a bundle, lays a taped layer, hangs or packs, or says so.
 * What is as dry as it gets, but soft inside, will do only for the others.
 */
export function bearsWeight({ layers }: Pick<ResolvedDesign, 'layers'>, step: ResolvedStep): boolean {
	if (step.load !== undefined) return step.load
	const laysTaped = layers.some(({ id, joining }) => joining === 'taped' && id !== undefined && step.lays?.includes(id))
	return laysTaped || step.bundle !== undefined || step.hazards.includes('wire') || LOADING_WORDS.test(step.label)
}
