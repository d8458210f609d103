/** Speed of looking through a book of forty designs for a slot, in one thread; nothing known before. */
import { ORDINARY_TERMS } from '../../core/plan/compile/drying-terms'
import { listPicks, type Slot } from '../../core/plan/what-fits/slot'
import { findFits } from '../../core/plan/what-fits/what-fits'
import { demoDesign, demoDesignIds } from '../support/demo-designs'
import { report } from './measure'

console.log('\nWhat fits')
const evening = { startMin: 1140, endMin: 1260, setUpMinutes: 5, clearAwayMinutes: 10, breaks: [] }
/** The demo's designs four times over, a little larger each time, so that no drying is known from the one before. */
const book = [1, 1.02, 1.04, 1.06].flatMap((scale) =>
	demoDesignIds().map((id) => {
		const design = demoDesign(id)
		return {
			...design,
			parts: design.parts.map((part) => {
				const { form } = part
				return form.type === 'cut' ? { ...part, form: { ...form, thicknessMm: form.thicknessMm * scale } } : part
			}),
		}
	}),
)
const wayCount = book.reduce((sum, design) => sum + listPicks(design).length, 0)
for (const [sessions, prepMinutes] of [
	[1, 0],
	[1, 60],
	[2, 0],
	[2, 60],
	[4, 60],
] as const) {
	const slot: Slot = {
		sessions: Array.from({ length: sessions }, (_, s) => ({ date: `2026-03-0${1 + 2 * s}`, ...evening })),
		studentCount: 8,
		pace: 'beginners',
		planFor: 'slower',
		homeworkMinutes: 0,
		flowersPerStudent: 1,
		prepMinutes,
		isWired: true,
	}
	const start = performance.now()
	let firstMs = 0
	const fits = book.map((design) => {
		const fit = findFits(design, slot, { terms: ORDINARY_TERMS })
		firstMs ||= performance.now() - start
		return fit
	})
	const ms = performance.now() - start
	const fitting = fits.filter((fit) => fit && fit.ways.length > 0).length
	report(
		`  ${sessions} evenings, ${prepMinutes} min before: ${fitting} of ${book.length} designs fit, ${wayCount} ways`,
		`${Math.round(ms)} ms, the first after ${Math.round(firstMs)} ms`,
	)
}
