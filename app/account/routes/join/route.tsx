import { addPerson } from '../../../../db/repositories/people.server'
import { findLink, spendLink } from '../../../../db/repositories/links.server'
import { hashPassword } from '../../../../db/password-hash.server'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { ROLE_WORDS } from '../../../shared/words/roles'
import { LinkOver } from '../../components/link-over'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { openedBy } from '../../opened-by.server'
import { enter } from '../../enter.server'
import { joinSchema } from '../../forms.server'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'An invitation · Calycine' }]
}

export function loader({ params: { token } }: Route.LoaderArgs) {
	return loading(async () => {
		const link = await findLink('join', token, new Date())
		return openedBy(link && { studioName: link.studioName ?? '', email: link.email, role: link.role })
	})
}

export function action({ params: { token }, request }: Route.ActionArgs) {
	return acting(async () => {
		const { name, password } = await readBody(request, joinSchema)
		// Hashed for whoever has a link alone: it is dear.
		const userId = await spendLink({ kind: 'join', token, now: new Date() }, async (link, transaction) => {
			const { studioId, email, role } = link
			return addPerson(studioId, { name, email, role, passwordHash: await hashPassword(password) }, transaction)
		})
		return enter(request, userId, '/')
	})
}

/** Follows an invitation into a studio. */
export default function Join({ loaderData: invitation }: Route.ComponentProps) {
	if (!invitation) return <LinkOver wayOn="Ask whoever invited you for a new one." />
	const { studioName, email, role } = invitation
	return (
		<LonePage head={`Welcome to ${studioName}`}>
			<p className="soft">
				You join as {role}: {ROLE_WORDS[role]}. You sign in with {email}.
			</p>
			<LoneForm doIt="Join">
				<LoneField name="name" label="Your name" autoComplete="name" autoFocus />
				<LoneField
					name="password"
					label="Choose a password, at least 12 characters"
					type="password"
					autoComplete="new-password"
				/>
			</LoneForm>
		</LonePage>
	)
}
