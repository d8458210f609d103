/**
 * `npm run check:planning`: the exact planner against every plan there is (tiny instances) and against a general
 * constraint solver (middle-sized ones). Takes a while; `npm test` does a small share of it.
 */
import { checkAgainstChuffed, checkAgainstEnumeration } from './support/planning-truth'

const TINY = 2_000
const MIDDLE = 40

let wrong = 0
const report = (line: string) => {
	wrong++
	console.log(line)
}
for (const form of ['first', 'full'] as const) {
	const tiny = checkAgainstEnumeration({ firstSeed: 1, count: TINY, form, report })
	console.log(
		`tiny instances (${form}) against enumeration: ${tiny.checked} checked, ${tiny.withoutPlan} without a plan`,
	)
}
for (const form of ['first', 'full'] as const) {
	const middle = await checkAgainstChuffed({ firstSeed: 1, count: MIDDLE, limitMs: 60_000, form, report })
	console.log(
		`middle-sized instances (${form}) against Chuffed: ${middle.confirmed} confirmed, ${middle.open} not decided in time`,
	)
}
console.log(wrong === 0 ? 'No wrong answer.' : `${wrong} wrong answers.`)
process.exit(wrong === 0 ? 0 : 1)
