/**
 * Designs in older forms, brought to the newest. What an older form could not say is said as it was meant then; nothing
 * else is changed.
 * Not for: checking; what comes out is checked like any other document.
 */
import { DESIGN_FORMAT_VERSION } from './design'

/** Form 1 knew one paste of this name, whatever had stiffened it. */
const STIFFENED = 'stiffened sugarpaste'
/** What most instructors knead in. */
const STIFFENED_NOW = 'sugarpaste with CMC'

type Fields = Record<string, unknown>

/**
 * @param document - of any form, or none at all
 * @returns the same where it is of the newest form, or of a form that is not known
 */
export function upgradeDesign(document: unknown): unknown {
	if (!isFields(document) || document['formatVersion'] !== 1) return document
	const renamed = renamePastes(document) as Fields
	return { ...tieStepsToLayers(renamed), formatVersion: DESIGN_FORMAT_VERSION }
}

/** A paste that a design of form 1, a studio or a log names. */
export function upgradePaste(paste: string): string {
	return paste === STIFFENED ? STIFFENED_NOW : paste
}

/** In parts, and in what options change of them. */
function renamePastes(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(renamePastes)
	if (!isFields(value)) return value
	return Object.fromEntries(
		Object.entries(value).map(([key, inner]) => [
			key,
			key === 'paste' && typeof inner === 'string' ? upgradePaste(inner) : renamePastes(inner),
		]),
	)
}

/**
 * Form 1 had layers without names. A glued one was laid by its part's last step, a taped one by the first step of the
 * assembly that needs the part; where that step is one of some options or an extra, so are the others that may be last.
 * What was made of other pieces had no spares. What must be in class was done nowhere else.
 */
function tieStepsToLayers(document: Fields): Fields {
	const [layers, steps, parts] = [
		fieldsIn(document['layers']),
		fieldsIn(document['steps']),
		fieldsIn(document['parts']),
	]
	if (!layers || !steps || !parts) return document
	const named = layers.map((layer, l): Fields => ({ id: `layer-${l + 1}`, ...layer }))
	const laidBy = new Map(named.map((layer) => [layer['id'], laidIn(layer, steps)]))
	return {
		...document,
		layers: named,
		parts: parts.map((part) => {
			const form = part['form']
			return isFields(form) && form['type'] === 'derived' ? { ...part, breakage: 0 } : part
		}),
		steps: steps.map((step) => {
			const lays = named.flatMap(({ id }) => (laidBy.get(id)?.has(step) ? [id] : []))
			return {
				...step,
				...(lays.length > 0 && { lays }),
				...(step['teaching'] === 'must' && { places: ['class'] }),
			}
		}),
	}
}

/** The steps that may lay a layer. */
function laidIn(layer: Fields, steps: readonly Fields[]): ReadonlySet<Fields> {
	const ofPart = steps.filter(({ part }) => part === layer['part'])
	if (layer['joining'] === 'glued') return new Set(untilCertain(ofPart.toReversed()))
	const taping = steps.filter((step) => step['part'] === undefined && needsAny(step, ofPart, steps))
	return new Set(untilCertain(taping.length > 0 ? taping : ofPart.toReversed()))
}

/** Up to the first that is done under every option. */
function untilCertain(steps: readonly Fields[]): Fields[] {
	const certain = steps.findIndex(({ when, extra }) => when === undefined && extra === undefined)
	return steps.slice(0, certain < 0 ? undefined : certain + 1)
}

/** Whether a step needs one of some steps, through others of the same part too. */
function needsAny(step: Fields, wanted: readonly Fields[], steps: readonly Fields[]): boolean {
	const ids = new Set(wanted.map(({ id }) => id))
	return (fieldsIn(step['needs']) ?? []).some(({ after }) => {
		return ids.has(after) && steps.some(({ id }) => id === after)
	})
}

function fieldsIn(value: unknown): Fields[] | undefined {
	return Array.isArray(value) && value.every(isFields) ? value : undefined
}

function isFields(value: unknown): value is Fields {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}
