import { describe, expect, test } from 'vitest'
import { readShortcut, SHORTCUT_GROUPS } from '../../../app/frame/shortcuts/shortcuts'

const press = (key: string, change: object = {}) => ({ key, isModified: false, isTyping: false, ...change })

describe('a key', () => {
	test('leads to its page from everywhere, and ? lists them all', () => {
		expect(readShortcut(press('d'), '/rooms/1')).toEqual({ to: '/designs' })
		expect(readShortcut(press('?'), '/')).toBe('list')
	})

	test('of the way of a course holds inside one alone', () => {
		expect(readShortcut(press('2'), '/courses/17/kits')).toEqual({ to: '/courses/17/plan' })
		expect(readShortcut(press('1'), '/courses/17')).toEqual({ to: '/courses/17' })
		expect(readShortcut(press('2'), '/courses')).toBeUndefined()
		expect(readShortcut(press('2'), '/courses/new')).toBeUndefined()
	})

	test.each([{ isTyping: true }, { isModified: true }])('is a letter like any other: %o', (change) => {
		expect(readShortcut(press('d', change), '/')).toBeUndefined()
	})

	test.each(['x', 'D', 'constructor', 'Enter'])('that is none of ours means nothing: %s', (key) => {
		expect(readShortcut(press(key), '/courses/1')).toBeUndefined()
	})
})

test('each key is listed once in its group', () => {
	for (const { shortcuts } of SHORTCUT_GROUPS)
		expect(new Set(shortcuts.map(({ keys }) => keys)).size).toBe(shortcuts.length)
})
