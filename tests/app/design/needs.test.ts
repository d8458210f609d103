/** What the fields of a step's needs make of them. */
import { expect, test } from 'vitest'
import {
	AFTER_A_TIME,
	AT_ONCE,
	followersOf,
	optional,
	withMark,
	withStage,
} from '../../../app/design/routes/design-edit/inspectors/needs'
import { changeWords } from '../../../app/design/routes/design-edit/figures/figure-words'
import { measureDesign } from '../../../core/design/design-figures'
import { resolveDesign } from '../../../core/design/resolve-design'
import { designFromParts } from '../../../core/design/skeletons/usual-parts'
import { partNames } from '../../../app/design/schemas/new-design'

const dry = { after: 'a', wait: { stage: 'hard' as const, usualMinutes: 600, isSwappable: true } }

test('another stage keeps the minutes and the marks; at once, the wait goes', () => {
	expect(withStage(dry, 'firm')).toEqual({ after: 'a', wait: { stage: 'firm', usualMinutes: 600, isSwappable: true } })
	expect(withStage(dry, AFTER_A_TIME)).toEqual({ after: 'a', wait: { usualMinutes: 600, isSwappable: true } })
	expect(withStage(dry, AT_ONCE)).toEqual({ after: 'a' })
	expect(withStage({ after: 'a' }, 'hard').wait).toEqual({ stage: 'hard', usualMinutes: 60 })
})

test('a mark is set, or is not there at all', () => {
	expect(withMark(dry, 'isSwappable', false).wait).toEqual({ stage: 'hard', usualMinutes: 600 })
	expect(withMark(dry, 'isByHand', true).wait).toEqual({ ...dry.wait, isByHand: true })
	expect(withMark({ after: 'a' }, 'isByHand', true)).toEqual({ after: 'a' })
	expect(optional({ after: 'a', withinMinutes: 5 }, { withinMinutes: undefined })).toEqual({ after: 'a' })
})

test('what follows a step, however far, is known', () => {
	const { steps } = designFromParts({ id: 'x', name: 'X' }, ['Centre', 'Petals'])

	expect(followersOf({ steps }, 'petals-shape')).toEqual(new Set(['petals-dust', 'put-petals']))
	expect(followersOf({ steps }, 'put-petals')).toEqual(new Set())
})

test('what has changed since the saving is told with its sign, and nothing that is too small to show', () => {
	const measure = (names: string[]) =>
		measureDesign(resolveDesign(designFromParts({ id: 'x', name: 'X' }, names), {}), 'swg')
	const [before, now] = [measure(['Centre', 'Petals']), measure(['Centre', 'Petals', 'Leaves'])]

	expect(changeWords(before, now)).toMatch(/^Since it was saved: \+\d+ min of work, .*\+2 wires\.$/)
	expect(changeWords(now, before)).toMatch(/−2 wires\.$/)
	expect(changeWords(now, { ...now, pasteG: now.pasteG + 0.01 })).toBe('Figures as they were saved.')
})

test('names of parts are told by commas or lines', () => {
	expect(partNames(' centre, inner petals\n,outer petals,, ')).toEqual(['Centre', 'Inner petals', 'Outer petals'])
})
