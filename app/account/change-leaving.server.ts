/** Whether a studio stays: its owner has seven days to take the deletion back. */
import { InputError } from '../../core/errors'
import { setLeaving } from '../../db/repositories/accounts.server'
import { listPeople } from '../../db/repositories/people.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import type { IntentOf } from '../shared/schemas/intent'
import { checkPassword } from './change-account.server'
import type { leaveActions } from './forms.server'
import { leavingLetter } from './letters/letters'
import { addressOf, sendQuietly } from './letters/send-letter.server'

const LEAVING_DAYS = 7

/** @throws {InputError} another name, or another password */
export async function changeLeaving(
	{ userId, userName, studio }: Member,
	action: IntentOf<typeof leaveActions>,
): Promise<{ told: string }> {
	if (action.intent === 'stay') {
		await setLeaving(studio.id, null)
		return { told: 'The studio stays, as it is.' }
	}
	if (action.name !== studio.name)
		throw new InputError([{ path: 'name', message: `The studio is called ${studio.name}` }])
	await checkPassword(userId, action.own, 'own')
	await setLeaving(studio.id, new Date(Date.now() + LEAVING_DAYS * 86_400_000))
	const owners = (await listPeople(studio.id)).filter(({ role }) => role === 'owner')
	const letter = leavingLetter({ from: userName, studioName: studio.name, link: addressOf('/studio/leave') })
	for (const { email } of owners) sendQuietly({ to: email, ...letter })
	return { told: 'It is deleted in seven days, unless an owner takes that back.' }
}
