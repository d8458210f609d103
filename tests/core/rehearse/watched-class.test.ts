/** One class looked at is the class that the rehearsal plays. */
import { describe, expect, test } from 'vitest'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { toReplayScript } from '../../../core/rehearse/replay-script'
import { REPLAY_TERMS, USUAL_TERMS } from '../../../core/rehearse/script'
import { roomAt, tellSession, watchClass } from '../../../core/rehearse/watched-class'
import { writeScript } from '../../../core/rehearse/write-script'
import { packDemo } from '../../support/demo-kit'

const { course, designs, compiled, plan } = packDemo('Magnolia on Thursdays')
const script = writeScript({ course, designs, compiled, plan, owned: { 'petal veiner': 1 } })
const watched = watchClass(script, USUAL_TERMS, 7)

describe('a watched class', () => {
	test('is the one that the rehearsal plays: the same are there, and the same are done', () => {
		const player = new ClassPlayer(script, USUAL_TERMS)
		player.play(7)
		for (const [s, { presentCount, doneCount, close }] of watched.entries()) {
			const ends = script.levels.map((_, n) => player.doneAt[n * watched.length + s]!)
			expect(presentCount).toBe(ends.filter((end) => !Number.isNaN(end)).length)
			expect(doneCount).toBe(ends.filter((end) => end <= close).length)
		}
	})

	test('has everybody in its room from the opening to the close, its moments in order', () => {
		for (const session of watched) {
			const times = session.moments.map(({ time }) => time)
			expect(times).toEqual(times.toSorted((a, b) => a - b))
			expect(roomAt(session, session.open).students).toHaveLength(script.levels.length)
			const away = roomAt(session, session.close).students.filter(({ doing }) => doing === 'away')
			expect(away).toHaveLength(script.levels.length - session.presentCount)
		}
	})

	test('stops for what is shown and for tea, as many times as there are', () => {
		const shown = watched.flatMap(({ room }) => room.filter(({ kind }) => kind === 'shows'))
		expect(shown.map(({ index }) => index)).toEqual(script.shows.map((_, k) => k))
		for (const session of watched)
			for (const { time, until } of session.room) {
				expect(roomAt(session, time).stopped?.time).toBe(time)
				expect(roomAt(session, until).stopped?.time).not.toBe(time)
			}
	})

	test('is told by first and last, by waits for the one veiner, and by who is done', () => {
		const told = watched.flatMap(tellSession)
		const veiner = script.tools.findIndex(({ name }) => name === 'petal veiner')

		expect(told.some((one) => one.kind === 'waits' && one.doing === 'tool' && one.tool === veiner)).toBe(true)
		for (const one of told) if (one.kind === 'waits') expect(one.minutes).toBeGreaterThanOrEqual(2)
		const done = told.filter(({ kind }) => kind === 'done').length
		expect(done).toBe(watched.reduce((sum, { doneCount }) => sum + doneCount, 0))
	})

	test('without doubt everybody begins each item at its planned minute', () => {
		const plain = toReplayScript(compiled.instance, plan, 3)
		const told = watchClass(plain, REPLAY_TERMS, 0).flatMap(tellSession)
		for (const kind of ['first', 'last'] as const) {
			const begun = told.flatMap((one) => (one.kind === kind ? [[one.item, one.time]] : []))
			expect(begun.toSorted((a, b) => a[0]! - b[0]!)).toEqual(plain.items.map(({ start }, i) => [i, start]))
		}
	})
})
