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

/**
 * @param document - of any form, or none at all
 * @returns the same where it is of the newest form, or of a form that is not known
 */
export function upgradeDesign(document: unknown): unknown {
	if (!isRecord(document) || document['formatVersion'] !== 1) return document
	return { ...(renamePastes(document) as Record<string, unknown>), formatVersion: DESIGN_FORMAT_VERSION }
}

/** A paste that a design of form 1, a studio or a log names. */
export function upgradePaste(paste: string): string {
	return paste === STIFFENED ? STIFFENED_NOW : paste
}

/** In parts, and in what options change of them. */
function renamePastes(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(renamePastes)
	if (!isRecord(value)) return value
	return Object.fromEntries(
		Object.entries(value).map(([key, inner]) => [
			key,
			key === 'paste' && typeof inner === 'string' ? upgradePaste(inner) : renamePastes(inner),
		]),
	)
}

function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}
