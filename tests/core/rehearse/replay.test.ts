/** Without any doubt, a rehearsal is the plan: every student, to the minute. */
import { describe, expect, test } from 'vitest'
import { planExactly } from '../../../core/plan/exact/plan-exactly'
import type { Instance } from '../../../core/plan/problem/instance'
import type { Plan } from '../../../core/plan/problem/plan'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { toReplayScript } from '../../../core/rehearse/replay-script'
import { REPLAY_TERMS } from '../../../core/rehearse/script'
import { demoCourseNames } from '../../support/demo-designs'
import { packDemo } from '../../support/demo-kit'
import { randomFullInstance } from '../../support/random-instance'

const STUDENTS = 3

/** Ends of all runs in class by student: as played, and as planned. */
function replay(instance: Instance, plan: Plan) {
	const script = toReplayScript(instance, plan, STUDENTS)
	const player = new ClassPlayer(script, REPLAY_TERMS)
	player.play(0)
	const planned = Array.from({ length: STUDENTS }, () => script.items.map(({ end }) => end)).flat()
	return { played: [...player.itemEnds], planned, pieces: player.pieces, lost: [...player.lost] }
}

describe('a plan played without any doubt comes out as planned', () => {
	test.each(demoCourseNames())('%s', (name) => {
		const { compiled, plan } = packDemo(name)
		const { played, planned, pieces } = replay(compiled.instance, plan)

		expect(planned.length).toBeGreaterThan(5)
		expect(played).toEqual(planned)
		expect(pieces).toMatchObject({ broken: 0, left: 0, begun: pieces.made })
	})

	test('of 200 random instances with everything that instructors mean', () => {
		let count = 0
		for (let seed = 1; count < 200 && seed < 2000; seed++) {
			const shape = {
				taskCount: 4 + (seed % 5),
				maxMinutes: 6,
				sessionCount: 2 + (seed % 2),
				windowMinutes: 9,
				sessionGap: 60,
			}
			const instance = randomFullInstance(seed, shape)
			let plan: Plan | undefined
			try {
				plan = planExactly(instance, { nodes: 0 }).plan
			} catch {
				// Not every one of them can be.
			}
			if (!plan) continue
			count++
			const { played, planned } = replay(instance, plan)
			expect(played, `seed ${seed}`).toEqual(planned)
		}
		expect(count).toBe(200)
	})
})
