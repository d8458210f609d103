import { describe, expect, test } from 'vitest'
import { layOutBands, LEFT } from '../../../app/plan/components/plan-bands/band-layout'
import { listGhosts } from '../../../app/plan/components/plan-bands/ghosts'
import { bandAt, isOnShelf, placeAt, rowsOf } from '../../../app/plan/components/plan-bands/hands/bench-geometry'
import { TrialDesk } from '../../../app/plan/trial/try-course'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { handsOnSpan } from '../../../core/course/session-hours'
import { demoCourse, demoDesign } from '../../support/demo-designs'

const { storeId: _, ...course } = demoCourse('Magnolia on Thursdays')
const plain = { ...course, sessions: course.sessions.map(({ roomId: __, ...session }) => session) }
const desk = new TrialDesk({ designs: [demoDesign('magnolia')], terms: ORDINARY_TERMS })
const { story } = desk.lay(plain, { nodes: 1500 }).shown
if (!story) throw new Error('no plan')
const layout = layOutBands(story)
const middle = (band: number) => (layout.bands[band]?.y ?? 0) + 35
const xOf = (minute: number) => LEFT + (minute - layout.clock.fromMinute) * layout.clock.pxPerMinute

describe('where something is let go', () => {
	test.each([0, 1, 2])('every tile of session %i lies where it is drawn', (band) => {
		for (const { tile, x } of layout.bands[band]?.tiles ?? []) {
			const held = { minutes: tile.endMin - tile.startMin, taskId: tile.taskId }
			expect(placeAt(layout, { x, y: middle(band) }, held)).toEqual({ band, minuteOfDay: tile.startMin })
		}
	})

	test('it is laid against what lies near, else on five minutes', () => {
		const last = layout.bands[1]?.tiles.at(-1)?.tile
		const end = last?.endMin ?? 0
		const { open, close } = handsOnSpan(plain.sessions[1]!)

		expect(placeAt(layout, { x: xOf(end + 1), y: middle(1) }, { minutes: 1 }).minuteOfDay).toBe(end)
		const free = placeAt(layout, { x: xOf(end + 7.3), y: middle(1) }, { minutes: 1 }).minuteOfDay
		expect(free % 5).toBe(0)
		// Never outside the hands-on time.
		expect(placeAt(layout, { x: 0, y: middle(1) }, { minutes: 10 }).minuteOfDay).toBe(open)
		expect(placeAt(layout, { x: 5000, y: middle(1) }, { minutes: 10 }).minuteOfDay).toBe(close - 10)
	})

	test('above the clock it lies on the shelf, from which the benches are reached row by row', () => {
		const [shelf = 0, first] = rowsOf(layout)

		expect([isOnShelf(layout, shelf), isOnShelf(layout, middle(0))]).toEqual([true, false])
		expect(first).toBe(middle(0))
		expect(rowsOf(layout).length).toBe(1 + layout.bands.length)
		expect(isOnShelf(layOutBands(story, { hasShelf: false }), -50)).toBe(false)
	})

	test('it belongs to the nearest bench', () => {
		expect([-100, middle(0) + 1, middle(1) - 1, 5000].map((y) => bandAt(layout, y))).toEqual([0, 0, 1, 2])
	})
})

test('steps show where they were only where they lie elsewhere', () => {
	const moved = {
		...story,
		sessions: story.sessions.map((session, s) => ({
			...session,
			tiles: session.tiles.map((tile, t) => (s === 0 && t === 0 ? { ...tile, startMin: tile.startMin + 5 } : tile)),
		})),
	}

	expect(listGhosts(story, story)).toEqual([])
	expect(listGhosts(moved, story)).toMatchObject([{ band: 0, startMin: story.sessions[0]?.tiles[0]?.startMin }])
})
