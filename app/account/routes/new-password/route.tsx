import { Link } from 'react-router'
import { findLink, spendLink } from '../../../../db/repositories/links.server'
import { setPassword } from '../../../../db/repositories/people.server'
import { findMemberById } from '../../../../db/repositories/sign-ins.server'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { LinkOver } from '../../components/link-over'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { openedBy } from '../../opened-by.server'
import { enterWithPassword } from '../../enter.server'
import { passwordChangedLetter } from '../../letters/letters'
import { sendQuietly } from '../../letters/send-letter.server'
import { newPasswordSchema } from '../../forms.server'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'A new password · Calycine' }]
}

export function loader({ params: { token } }: Route.LoaderArgs) {
	return loading(async () => openedBy((await findLink('password', token, new Date())) && {}))
}

export function action({ params: { token }, request }: Route.ActionArgs) {
	return acting(async () => {
		const { password } = await readBody(request, newPasswordSchema)
		const userId = await spendLink({ kind: 'password', token, now: new Date() }, async ({ userId }, transaction) => {
			await setPassword(userId, password, { transaction })
			return userId
		})
		const member = await findMemberById(userId)
		if (member) sendQuietly({ to: member.email, ...passwordChangedLetter({ name: member.userName }) })
		return enterWithPassword(request, userId, '/')
	})
}

/** Chooses a new password; whoever is signed in with the old one is not any longer. */
export default function NewPassword({ loaderData: opened }: Route.ComponentProps) {
	if (!opened) return <LinkOver wayOn={<Link to="/forgot">Ask for a newer one</Link>} />
	return (
		<LonePage head="A new password">
			<p className="soft">All other devices are signed out with it.</p>
			<LoneForm doIt="Keep it and sign in">
				<LoneField
					name="password"
					label="New password, at least 12 characters"
					type="password"
					autoComplete="new-password"
					autoFocus
				/>
			</LoneForm>
		</LonePage>
	)
}
