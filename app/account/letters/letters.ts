/** What the letters say. */
import type { Role } from '../../../core/vocabulary/role'
import { ROLE_WORDS } from '../../shared/words/roles'

export function invitationLetter({
	link,
	role,
	studioName,
	from,
}: {
	link: string
	role: Role
	studioName: string
	/** Who invites. */
	from: string
}) {
	const subject = `${from} invites you to ${studioName}`
	const text = `${from} invites you to ${studioName} in Calycine as ${role}: ${ROLE_WORDS[role]}.

Choose a password here; the link works once, for seven days:
${link}

If you do not know ${from}, leave this letter alone: nothing happens.
`
	return { subject, text }
}

export function passwordLetter({ link, name }: { link: string; name: string }) {
	const text = `${name}, somebody (you, we hope) has asked for a new password for Calycine.

Choose it here; the link works once, for an hour:
${link}

If it was not you, leave this letter alone: your password stays as it is.
`
	return { subject: 'A new password for Calycine', text }
}

export function passwordChangedLetter({ name }: { name: string }) {
	const text = `${name}, your password for Calycine was changed, and your other devices were signed out.

If it was not you, ask for a new one at once at the sign-in page, and tell an owner of your studio.
`
	return { subject: 'Your password was changed', text }
}

export function leavingLetter({ from, studioName, link }: { from: string; studioName: string; link: string }) {
	const text = `${from} has asked for ${studioName} to be deleted, with all its designs, courses and people. It happens in seven days.

Until then any owner can take it back:
${link}
`
	return { subject: `${studioName} is to be deleted`, text }
}
