/** Who may open and change what, by address. */
import { describe, expect, test } from 'vitest'
import { ROLES, isAtLeast } from '../../../core/vocabulary/role'
import { mayRead, mayWrite } from '../../../app/shared/may/may'
import { isCommonPassword } from '../../../app/account/common-passwords.server'
import { deviceWords } from '../../../app/account/device-words'
import { listAddresses, DEMO_IDS } from '../../attack/route-table'

describe('roles', () => {
	test('each may all that the one before may, on every address of the app', () => {
		for (const { path } of listAddresses(DEMO_IDS))
			for (const [r, role] of ROLES.entries()) {
				const before = ROLES[r - 1]
				if (!before) continue
				expect(isAtLeast(role, before)).toBe(true)
				expect(Number(mayRead(role, path))).toBeGreaterThanOrEqual(Number(mayRead(before, path)))
				expect(Number(mayWrite(role, path))).toBeGreaterThanOrEqual(Number(mayWrite(before, path)))
			}
	})

	test('whoever may change something may open it, and an owner may all', () => {
		for (const { path } of listAddresses(DEMO_IDS)) {
			for (const role of ROLES) if (mayWrite(role, path)) expect(mayRead(role, path)).toBe(true)
			expect(mayWrite('owner', path)).toBe(true)
		}
	})

	test.each([
		['/people', 'instructor', false],
		['/courses/7/kits/people', 'assistant', false],
		['/courses/7/kits/people', 'instructor', true],
		['/courses/7/papers/kit', 'assistant', false],
		['/courses/7/kits', 'assistant', true],
		['/courses/7/run/1', 'guest', false],
		['/courses/7/run/1/wall', 'guest', true],
		['/designs/magnolia', 'guest', true],
		['/designs/magnolia/edit', 'assistant', false],
	] as const)('%s is open to %s: %s', (path, role, isOpen) => expect(mayRead(role, path)).toBe(isOpen))
})

test.each([
	['password1234', true],
	['Sunflower2026', true],
	['QWERTY123456!', true],
	['four green sepals', false],
	['tuberose-at-dusk', false],
])('%s is a password that many have: %s', (password, isCommon) => expect(isCommonPassword(password)).toBe(isCommon))

test.each([
	['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
	['Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605 Version/18.0 Safari/604.1', 'Safari on iPad'],
	['Mozilla/5.0 (Linux; Android 15; Tab) AppleWebKit/537 Chrome/141.0 Safari/537', 'Chrome on Android tablet'],
	['Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537 Chrome/141.0 Safari/537 Edg/141.0', 'Edge on Windows'],
	['', 'A browser on a device'],
])('%s is %s', (userAgent, words) => expect(deviceWords(userAgent)).toBe(words))
