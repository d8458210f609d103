/** What is left of a session, played beside the page, and ways to go on with it. */
import { expose } from 'comlink'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { USUAL_TERMS, type Script } from '../../../core/rehearse/script'
import { findOffers, type Offer } from '../../../core/run/find-offers'
import { foldRun } from '../../../core/run/fold-run'
import type { RunProblem } from '../../../core/run/remaining-problem'
import { inRoomAir } from '../../../core/run/tray-air'
import { supposing, type RunEvent } from '../../../core/run/run-event'
import type { RunPlan } from '../../../core/run/run-plan'
import { scriptFromNow, type Present } from '../../../core/run/script-from-now'

/** Enough to tell tenths. */
const CLASSES = 300
/** For each way; there are a dozen at most. */
const SEARCH_MS = 200

export interface Outlook {
	problem: RunProblem
	/** With which the session was opened. */
	plan: RunPlan
	script: Script
	events: readonly RunEvent[]
	present: Present
}

/** A way to go on, and how sure the session is then to end in time, in [0, 1]. */
export interface JudgedOffer extends Offer {
	chance: number
}

const worker = {
	/** @returns that most are done by the close, in [0, 1] */
	chanceOf({ script, plan, events, present }: Omit<Outlook, 'problem'>): number {
		return playOn(scriptFromNow(script, plan, foldRun(plan, events, present.now), present))
	},

	inRoomAir,

	/** @param onOffer - told of each as it is found */
	findOffers({ problem, plan, script, events, present }: Outlook, onOffer: (offer: JudgedOffer) => void): void {
		const state = foldRun(plan, events, present.now)
		const terms = { effortOf: () => ({ shouldStop: within(SEARCH_MS) }) }
		for (const offer of findOffers(problem, plan, state, present, terms)) {
			const then = supposing(events, { type: 'plan', reason: '', ...offer.taken }, present.now)
			const chance = playOn(scriptFromNow(script, plan, foldRun(plan, then, present.now), present))
			onOffer({ ...offer, chance })
		}
	},
}

function within(ms: number): () => boolean {
	const end = performance.now() + ms
	return () => performance.now() >= end
}

function playOn(script: Script): number {
	// Who is here is known.
	const rehearsal = new Rehearsal(script, { ...USUAL_TERMS, awayChance: 0, lateChance: 0 })
	rehearsal.play(CLASSES)
	return rehearsal.figures().sessions[0]?.onTime.share ?? 1
}

export type ForesightWorker = typeof worker

expose(worker)
