/** The log of a studio that has taught for years: from its rows to what its page shows. */
import { backtestMinutes } from '../../core/learn/backtest'
import { MinutesBelief, type MinutesObservation } from '../../core/learn/minutes-belief'
import { createRng } from '../../core/random'
import { report, tell, time } from './measure'

console.log('\nLog')
for (const years of [1, 5, 10]) {
	const observations = makeYears(years)
	const name = `  ${years} years, ${observations.length} observations`
	report(`${name}: beliefs`, tell(time(3, () => new MinutesBelief(observations))), 'of the page, under 100 ms')
	report(`${name}: looking back`, tell(time(3, () => backtestMinutes(observations))), 'of the page, under 100 ms')
}

/** Forty-five evenings a year of courses of three, five steps an evening, one of twenty cut off. */
function makeYears(years: number): MinutesObservation[] {
	const rng = createRng(5)
	return Array.from({ length: years * 45 * 5 }, (_, k) => {
		const step = Math.floor(rng() * 100)
		const real = 20 * Math.exp(rng() - 0.5)
		const evening = Math.floor(k / 5)
		const date = new Date(Date.UTC(2016, 0, 1 + 8 * evening)).toISOString().slice(0, 10)
		return {
			...{ id: String(k), classId: `class ${Math.floor(evening / 3)}`, date, level: 'improvers' },
			...{ technique: `technique ${step % 20}`, step: String(step), statedMinutes: 15 },
			...{ studentCount: 8, doneCount: 7, from: real, to: rng() < 0.05 ? Infinity : real },
		} satisfies MinutesObservation
	})
}
