/** What people change of their own account. */
import { InputError } from '../../core/errors'
import { isOwnPassword, renamePerson, setPassword } from '../../db/repositories/people.server'
import { beginCodes, confirmCodes, endCodes } from '../../db/repositories/one-time-codes.server'
import { endDevice, endOtherSignIns, type Member } from '../../db/repositories/sign-ins.server'
import type { IntentOf } from '../shared/schemas/intent'
import { passwordChangedLetter } from './letters/letters'
import { sendQuietly } from './letters/send-letter.server'
import type { accountActions } from './forms.server'
import { countOwnAttempt, forgiveOwnAttempts } from './sign-in-limit.server'

export interface AccountAnswer {
	told: string
	/** Recovery words, shown this once. */
	words?: string[]
}

export const NO_CODE = 'This code does not work: wait for the next one'

/**
 * @param token - of her sign-in on this device
 * @returns what is said to her
 * @throws {InputError} the password is not hers
 */
export async function changeAccount(
	{ userId, userName, email }: Member,
	action: IntentOf<typeof accountActions>,
	token: string | undefined,
): Promise<AccountAnswer> {
	switch (action.intent) {
		case 'rename':
			await renamePerson(userId, action.name)
			return { told: `You are called ${action.name} now.` }
		case 'change-password':
			await checkPassword(userId, action.before, 'before')
			await setPassword(userId, action.password, { token })
			sendQuietly({ to: email, ...passwordChangedLetter({ name: userName }) })
			return { told: 'Your password is changed, and your other devices are signed out.' }
		case 'end-device':
			await endDevice(userId, action.id)
			return { told: 'That device is signed out.' }
		case 'end-others':
			await endOtherSignIns(userId, token)
			return { told: 'All other devices are signed out.' }
		case 'begin-codes':
			await beginCodes(userId, email)
			return { told: 'Scan the picture, and type the code that your app shows.' }
		case 'confirm-codes': {
			await countOwnAttempt(userId, 'code', 'code')
			const words = await confirmCodes(userId, action.code.replace(/\s/g, ''), new Date())
			if (!words) throw new InputError([{ path: 'code', message: NO_CODE }])
			await forgiveOwnAttempts(userId, 'code')
			return { told: 'From now on you are asked for a code when you sign in.', words }
		}
		case 'end-codes':
			await checkPassword(userId, action.own, 'own')
			await endCodes(userId)
			return { told: 'You are asked for no code any longer.' }
	}
}

/** @throws {InputError} it is not hers, or she has tried too often */
export async function checkPassword(userId: number, password: string, field: string): Promise<void> {
	await countOwnAttempt(userId, 'password', field)
	if (!(await isOwnPassword(userId, password)))
		throw new InputError([{ path: field, message: 'This is not your password' }])
	await forgiveOwnAttempts(userId, 'password')
}
