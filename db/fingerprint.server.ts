/** What a plan was made from, in short: two equal fingerprints mean equal inputs. */
import { createHash } from 'node:crypto'
import { giveKeys } from '../core/course/course-items'
import { pinKey } from '../core/course/course-pin'
import { learntPartKey, type Learnt } from '../core/learn/learnt'
import { learntFactor, learntStepKey } from '../core/learn/learnt-minutes'
import { pasteUseKey } from '../core/learn/paste-use'
import type { Course, Pace } from '../core/course/course'
import { roomOf, storeOf, type PlanTerms } from '../core/plan/compile/drying-terms'
import { USUAL_STRAIN_TERMS } from '../core/plan/compile/strain-terms'
import { toSessionSpans } from '../core/plan/compile/session-windows'
import type { Design } from '../core/design/design'
import { sortKeys } from '../core/sorted-keys'
import { NO_ZONE } from '../core/time/zone'

/** Raised when the same inputs would be planned otherwise: older plans then show as outdated. */
const PLANNING_VERSION = 6

/** SHA-256 in hex. The course's name, id and version do not count. */
export function fingerprintOf(course: Course, designs: readonly Design[], terms: PlanTerms): string {
	const {
		studentCount,
		pace,
		planFor,
		spareConfidence,
		demoFlowers,
		homeworkMinutes,
		homeAfterDays = 0,
		endEarly = false,
		designs: chosen,
		sessions,
		storeId,
		waits = {},
		pins = [],
	} = course
	const group = { studentCount, pace, planFor, spareConfidence, demoFlowers }
	const settled = pins.length > 0 && { pins: pins.map(pinKey).toSorted() }
	const settings = { ...group, homeworkMinutes, homeAfterDays, endEarly, storeId, waits, ...settled }
	// The documents themselves count, not the number of their version.
	const picked = giveKeys(chosen).map(({ designId, key, flowersPerStudent, picks }) => {
		return { designId, key, flowersPerStudent, picks }
	})
	const inputs = sortKeys({
		version: PLANNING_VERSION,
		settings,
		chosen: picked,
		sessions,
		designs: designs.map(sortedDesign),
		terms: usedTerms(course, designs, terms),
	})
	return createHash('sha256').update(JSON.stringify(inputs)).digest('hex')
}

/** Places that the course does not use, and what is known of pastes and steps that it does not use, do not count. */
function usedTerms({ sessions, storeId, pace }: Course, designs: readonly Design[], terms: PlanTerms) {
	const { confidence, standard, observations, zone } = terms
	const rooms = sessions.map(({ roomId }) => roomOf(terms, roomId))
	const places = [...new Set([...rooms, storeOf(terms, storeId)])].map(({ climate, movement, pace }) => ({
		climate,
		movement,
		...(pace !== undefined && { pace }),
	}))
	const pastes = new Set<string | undefined>(designs.flatMap(({ parts }) => parts.map(({ paste }) => paste)))
	const log = Object.entries(observations).filter(([paste]) => pastes.has(paste))
	const tools = Object.entries(terms.ownedTools ?? {})
	// Zones whose clocks do not change between the sessions plan alike.
	const spans = toSessionSpans(sessions, zone)
	const changes = JSON.stringify(spans) === JSON.stringify(toSessionSpans(sessions, NO_ZONE)) ? {} : { spans }
	return {
		confidence,
		standard,
		places,
		log,
		...changes,
		strain: terms.strain ?? USUAL_STRAIN_TERMS,
		...usedLearnt(terms.learnt, designs, pace),
		...(tools.length > 0 && { tools: Object.fromEntries(tools) }),
	}
}

/** Nothing, where the course goes as its designs state. */
function usedLearnt(learnt: Learnt | undefined, designs: readonly Design[], pace: Pace) {
	if (!learnt) return {}
	const { doubts = {}, breakage = {}, paste = {} } = learnt
	const steps = designs.flatMap((design) =>
		design.steps.flatMap(({ id, technique }) => {
			const step = learntStepKey(design.id, id)
			const factor = learntFactor(learnt, { pace, step, technique })
			const doubt = doubts[step]
			return factor === 1 && doubt === undefined ? [] : [[step, { factor, doubt }] as const]
		}),
	)
	const parts = designs.flatMap(({ id, parts }) => parts.map((part) => learntPartKey(id, part.id)))
	const pastes = designs.flatMap(({ parts }) =>
		parts.flatMap(({ ownPaste, paste: usual, role }) => {
			const name = ownPaste?.name ?? usual
			return name === undefined ? [] : [name, pasteUseKey(name, role)]
		}),
	)
	const used = {
		...(steps.length > 0 && { learnt: Object.fromEntries(steps) }),
		...pickNamed('breakage', breakage, parts),
		...pickNamed('paste', paste, pastes),
	}
	return used
}

/** Under its name what is known of these keys; nothing, where nothing is. */
function pickNamed(name: string, known: Record<string, unknown>, keys: readonly string[]) {
	const own = Object.fromEntries([...new Set(keys)].flatMap((key) => (key in known ? [[key, known[key]]] : [])))
	return Object.keys(own).length > 0 ? { [name]: own } : {}
}

/** Of documents that nobody can change: they are kept (row-memory), and sorting them takes longest. */
const sortedDesigns = new WeakMap<Design, unknown>()

function sortedDesign(design: Design): unknown {
	const sorted = sortedDesigns.get(design) ?? sortKeys(design)
	if (Object.isFrozen(design)) sortedDesigns.set(design, sorted)
	return sorted
}
