/** A course played beside the page: figures that sharpen, then what would help, change by change. */
import { expose } from 'comlink'
import { listChanges, tryChange, type Advice } from '../../core/rehearse/advice'
import { Rehearsal, type RehearsalFigures } from '../../core/rehearse/rehearsal'
import type { RehearsalTerms, Script } from '../../core/rehearse/script'

/** Played at a time; the page has something to show soon, and is not told too often later. */
const FIRST_BATCH = 100
const LARGEST_BATCH = 800
/** Each change is tried on so many classes. */
const ADVICE_CLASSES = 1000

/** Which rehearsal is wanted now: an older one stops. */
let newest = 0

const worker = {
	async rehearse(
		script: Script,
		terms: RehearsalTerms,
		tell: (told: { figures?: RehearsalFigures; advice?: Advice[] }) => void,
	): Promise<void> {
		const own = ++newest
		const rehearsal = new Rehearsal(script, terms)
		for (let batch = FIRST_BATCH; !rehearsal.isSure; batch = Math.min(LARGEST_BATCH, 2 * batch)) {
			rehearsal.play(batch)
			tell({ figures: rehearsal.figures() })
			await letNewerIn()
			if (own !== newest) return
		}
		const before = new Rehearsal(script, terms)
		before.play(ADVICE_CLASSES)
		const advice: Advice[] = []
		for (const change of listChanges(script)) {
			advice.push(tryChange(script, terms, before, change))
			await letNewerIn()
			if (own !== newest) return
		}
		tell({ advice: advice.toSorted((a, b) => b.gain - a.gain) })
	},
}

export type RehearsalWorker = typeof worker

function letNewerIn(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve))
}

expose(worker)
