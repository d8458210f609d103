/** Passwords that many people have, from the list of a library that reckons how good passwords are. */
import { dictionary } from '@zxcvbn-ts/language-common'

const COMMON: ReadonlySet<unknown> = new Set(dictionary['passwords-common'])

/** Whether it is one of the list, also with digits or signs after it. */
export function isCommonPassword(password: string): boolean {
	const plain = password.toLowerCase()
	return COMMON.has(plain) || COMMON.has(plain.replace(/[^\p{L}]+$/u, ''))
}
