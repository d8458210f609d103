/** Beliefs from twenty thousand observations: of a studio that has taught for years. */
import { MinutesBelief, type MinutesObservation } from '../../core/learn/minutes-belief'
import { createRng } from '../../core/random'
import { report, tell, time } from './measure'

const COUNT = 20_000
const PER_CLASS = 40
const TECHNIQUES = 40
const STEPS = 400

console.log('\nLearning')
for (const cutShare of [0, 0.05]) {
	const observations = makeObservations(cutShare)
	const name = `  ${COUNT} observations, ${100 * cutShare} % cut off`
	report(name, tell(time(7, () => new MinutesBelief(observations))), 'under 300 ms')
}

function makeObservations(cutShare: number): MinutesObservation[] {
	const rng = createRng(5)
	return Array.from({ length: COUNT }, (_, k) => {
		const step = Math.floor(rng() * STEPS)
		const real = 20 * Math.exp(rng() - 0.5)
		return {
			...{ id: String(k), classId: `class ${Math.floor(k / PER_CLASS)}`, date: '2026-03-05', level: 'improvers' },
			...{ technique: `technique ${step % TECHNIQUES}`, step: String(step), statedMinutes: 15 },
			...{ studentCount: 8, doneCount: 7, from: real, to: rng() < cutShare ? Infinity : real },
		} satisfies MinutesObservation
	})
}
