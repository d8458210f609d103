import { Link } from 'react-router'
import { createLink } from '../../../../db/repositories/links.server'
import { findPersonByEmail } from '../../../../db/repositories/people.server'
import { log } from '../../../shared/http/log.server'
import { clientAddress } from '../../../shared/http/client-address.server'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { passwordLetter } from '../../letters/letters'
import { addressOf, sendQuietly } from '../../letters/send-letter.server'
import { forgotSchema } from '../../forms.server'
import { countLetter } from '../../sign-in-limit.server'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'A new password · Calycine' }]
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { email } = await readBody(request, forgotSchema)
		await countLetter(email, clientAddress(context))
		// Beside the answer: neither what it says nor how long it takes tells whether somebody has this address.
		sendLink(email).catch((error: unknown) => log.error({ err: error }, 'a link was not sent'))
		return { isSent: true }
	})
}

async function sendLink(email: string): Promise<void> {
	const person = await findPersonByEmail(email)
	if (!person) return
	const token = await createLink({ kind: 'password', userId: person.userId }, new Date())
	sendQuietly({ to: person.email, ...passwordLetter({ link: addressOf(`/new-password/${token}`), name: person.name }) })
}

/** Asks for a letter with a link to a new password. */
export default function Forgot({ actionData }: Route.ComponentProps) {
	const isSent = actionData !== undefined && 'isSent' in actionData
	return (
		<LonePage head="A new password">
			{isSent ? (
				<p role="status">
					If somebody has this address, a letter is on its way to it. Its link works once, for an hour.
				</p>
			) : (
				<LoneForm doIt="Send me a link">
					<LoneField name="email" label="E-mail address" type="email" autoComplete="username" autoFocus />
				</LoneForm>
			)}
			<p>
				<Link to="/sign-in">Back to the sign-in</Link>
			</p>
		</LonePage>
	)
}
