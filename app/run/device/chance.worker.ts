/** What is left of a session, played beside the page. */
import { expose } from 'comlink'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { USUAL_TERMS, type Script } from '../../../core/rehearse/script'

/** Enough to tell tenths. */
const CLASSES = 300

const worker = {
	/** @returns that most are done by the close, in [0, 1] */
	chanceOf(script: Script): number {
		// Who is here is known.
		const rehearsal = new Rehearsal(script, { ...USUAL_TERMS, awayChance: 0, lateChance: 0 })
		rehearsal.play(CLASSES)
		return rehearsal.figures().sessions[0]?.onTime.share ?? 1
	},
}

export type ChanceWorker = typeof worker

expose(worker)
