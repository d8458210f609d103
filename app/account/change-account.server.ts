/** What people change of their own account. */
import { InputError } from '../../core/errors'
import { isOwnPassword, renamePerson, setPassword } from '../../db/repositories/people.server'
import { endDevice, endOtherSignIns, type Member } from '../../db/repositories/sign-ins.server'
import type { IntentOf } from '../shared/schemas/intent'
import { passwordChangedLetter } from './letters/letters'
import { sendQuietly } from './letters/send-letter.server'
import type { accountActions } from './forms.server'
import { countOwnAttempt, forgiveOwnAttempts } from './sign-in-limit.server'

/**
 * @param token - of her sign-in on this device
 * @returns what is said to her
 * @throws {InputError} the password is not hers
 */
export async function changeAccount(
	{ userId, userName, email }: Member,
	action: IntentOf<typeof accountActions>,
	token: string | undefined,
): Promise<{ told: string }> {
	switch (action.intent) {
		case 'rename':
			await renamePerson(userId, action.name)
			return { told: `You are called ${action.name} now.` }
		case 'change-password':
			await countOwnAttempt(userId)
			if (!(await isOwnPassword(userId, action.before)))
				throw new InputError([{ path: 'before', message: 'This is not your password' }])
			await forgiveOwnAttempts(userId)
			await setPassword(userId, action.password, { token })
			sendQuietly({ to: email, ...passwordChangedLetter({ name: userName }) })
			return { told: 'Your password is changed, and your other devices are signed out.' }
		case 'end-device':
			await endDevice(userId, action.id)
			return { told: 'That device is signed out.' }
		case 'end-others':
			await endOtherSignIns(userId, token)
			return { told: 'All other devices are signed out.' }
	}
}
