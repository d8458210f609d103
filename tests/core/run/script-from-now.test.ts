/** What is left of a session is what the rehearsal would play from here on. */
import { describe, expect, test } from 'vitest'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { toReplayScript } from '../../../core/rehearse/replay-script'
import { REPLAY_TERMS, USUAL_TERMS } from '../../../core/rehearse/script'
import { writeScript } from '../../../core/rehearse/write-script'
import { foldRun } from '../../../core/run/fold-run'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { scriptFromNow } from '../../../core/run/script-from-now'
import { packDemo } from '../../support/demo-kit'

const { course, designs, compiled, plan, story } = packDemo('Magnolia on Thursdays')
const SESSION = 1
const runPlan = toRunPlan(story, SESSION)
const replay = toReplayScript(compiled.instance, plan, 3)
const OPENING = Date.UTC(2026, 2, 19, 19)
const at = (wallMin: number) => OPENING + (wallMin - runPlan.openMin) * 60_000

function stateAt(nowMin: number, ...facts: readonly (readonly [number, RunFact])[]) {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = facts.map(([wallMin, fact]) => writer.write(fact, at(wallMin)))
	return foldRun(runPlan, events, at(nowMin))
}

const steps = runPlan.entries.filter(({ kind }) => kind === 'step')
const doneAsPlanned = (until: number): [number, RunFact][] =>
	steps
		.filter(({ endMin }) => endMin <= until)
		.map(({ id, endMin }) => [endMin, { type: 'entry', entry: id, is: 'most' }])

/** Ends of the items of a script without doubt, one student. */
function endsOf(script: typeof replay): number[] {
	const player = new ClassPlayer(script, REPLAY_TERMS)
	player.play(0)
	return [...player.itemEnds.slice(0, script.items.length)]
}

describe('the script from now on', () => {
	test('at the opening is the session as planned', () => {
		const now = runPlan.openMin
		const left = scriptFromNow(replay, runPlan, stateAt(now), { nowMin: now, now: at(now) })
		expect(endsOf(left)).toEqual(replay.items.filter(({ session }) => session === SESSION).map(({ end }) => end))
	})

	test('after each step that went as planned ends as planned', () => {
		for (const { endMin } of steps) {
			const state = stateAt(endMin, [runPlan.openMin, { type: 'opened' }], ...doneAsPlanned(endMin))
			const left = scriptFromNow(replay, runPlan, state, { nowMin: endMin, now: at(endMin) })
			const planned = replay.items.filter(({ session }) => session === SESSION).slice(-left.items.length)
			if (left.items.length > 0) expect(endsOf(left)).toEqual(planned.map(({ end }) => end))
		}
	})

	test('leaves out who is away, and has nothing left when all is done', () => {
		const last = steps.at(-1)!
		const state = stateAt(
			last.endMin,
			[runPlan.openMin, { type: 'opened' }],
			[runPlan.openMin + 1, { type: 'attendance', place: 1, is: 'away' }],
			...doneAsPlanned(last.endMin),
		)
		const left = scriptFromNow(replay, runPlan, state, { nowMin: last.endMin, now: at(last.endMin) })
		expect(left.items).toEqual([])
		expect(left.levels).toHaveLength(2)
	})

	test('is the less likely to end in time the later it is', () => {
		const script = writeScript({ course, designs, compiled, plan })
		const first = steps[0]!
		const chance = (late: number) => {
			const now = first.endMin + late
			const state = stateAt(
				now,
				[runPlan.openMin, { type: 'opened' }],
				[now, { type: 'entry', entry: first.id, is: 'most' }],
			)
			const rehearsal = new Rehearsal(scriptFromNow(script, runPlan, state, { nowMin: now, now: at(now) }), {
				...USUAL_TERMS,
				...{ awayChance: 0, lateChance: 0 },
			})
			rehearsal.play(300)
			return rehearsal.figures().sessions[0]!.onTime.share
		}
		const chances = [0, 8, 16, 24].map(chance)
		expect(chances).toEqual(chances.toSorted((a, b) => b - a))
		expect(chances[0]! - chances.at(-1)!).toBeGreaterThan(0.1)
	})
})
