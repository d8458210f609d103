/** What owners change of the people of their studio. */
import { InputError } from '../../core/errors'
import { createLink, withdrawInvitation } from '../../db/repositories/links.server'
import { findPersonByEmail, removePerson, setRole } from '../../db/repositories/people.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import { log } from '../shared/http/log.server'
import type { IntentOf } from '../shared/schemas/intent'
import { invitationLetter } from './letters/letters'
import { addressOf, sendLetter } from './letters/send-letter.server'
import type { peopleActions } from './forms.server'

export interface PeopleAnswer {
	told: string
	/** Of an invitation: to hand over by herself. */
	link?: string
}

/** @throws {InputError} the address has an account already, or the studio would have no owner left */
export async function changePeople(member: Member, action: IntentOf<typeof peopleActions>): Promise<PeopleAnswer> {
	const { studio } = member
	switch (action.intent) {
		case 'invite':
			return invite(member, action)
		case 'withdraw':
			await withdrawInvitation(studio.id, Number(action.id))
			return { told: 'The invitation is taken back.' }
		case 'set-role':
			await setRole(studio.id, Number(action.userId), action.role)
			return { told: 'Changed.' }
		case 'remove':
			await removePerson(studio.id, Number(action.userId))
			return { told: 'Taken off, and signed out everywhere.' }
	}
}

async function invite(
	{ studio, userName }: Member,
	{ email, role }: Pick<Extract<IntentOf<typeof peopleActions>, { intent: 'invite' }>, 'email' | 'role'>,
): Promise<PeopleAnswer> {
	const address = email.toLowerCase()
	const known = await findPersonByEmail(address)
	// Of another studio nothing is said but that it does not work.
	if (known) {
		const isHere = known.studioId === studio.id
		const message = isHere ? `${known.name} is here already` : 'This address cannot be invited: it has an account'
		throw new InputError([{ path: 'email', message }])
	}
	const token = await createLink({ kind: 'join', studioId: studio.id, email: address, role }, new Date())
	const link = addressOf(`/join/${token}`)
	try {
		await sendLetter({ to: address, ...invitationLetter({ link, role, studioName: studio.name, from: userName }) })
		return { told: `A letter is on its way to ${address}.`, link }
	} catch (error) {
		log.error({ err: error }, 'an invitation was not sent')
		return { told: `The letter to ${address} could not be sent: hand over the link yourself.`, link }
	}
}
