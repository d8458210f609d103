import { Link } from 'react-router'
import { InputError, NotFoundError } from '../../../../core/errors'
import { findLink, spendLink } from '../../../../db/repositories/links.server'
import { takeCodeOrWord } from '../../../../db/repositories/one-time-codes.server'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { NO_CODE } from '../../change-account.server'
import { LinkOver } from '../../components/link-over'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { enter } from '../../enter.server'
import { codeSchema } from '../../forms.server'
import { localTarget } from '../../local-target'
import { openedBy } from '../../opened-by.server'
import { countOwnAttempt, forgiveOwnAttempts } from '../../sign-in-limit.server'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'A code · Calycine' }]
}

export function loader({ params: { token } }: Route.LoaderArgs) {
	return loading(async () => openedBy((await findLink('code', token, new Date())) && {}))
}

export function action({ params: { token }, request }: Route.ActionArgs) {
	return acting(async () => {
		const { code } = await readBody(request, codeSchema)
		const now = new Date()
		const link = await findLink('code', token, now)
		if (!link) throw new NotFoundError('It took too long: sign in again.')
		await countOwnAttempt(link.userId, 'code', 'code')
		if (!(await takeCodeOrWord(link.userId, code, now))) throw new InputError([{ path: 'code', message: NO_CODE }])
		await forgiveOwnAttempts(link.userId, 'code')
		await spendLink({ kind: 'code', token, now }, () => Promise.resolve())
		return enter(request, link.userId, localTarget(new URL(request.url).searchParams.get('to')))
	})
}

/** Asked of whoever has the password, where she wants that. */
export default function SignInCode({ loaderData: opened }: Route.ComponentProps) {
	if (!opened) return <LinkOver wayOn={<Link to="/sign-in">Sign in again</Link>} />
	return (
		<LonePage head="Your code">
			<p className="soft">The one that your app for codes shows now, or one of your recovery words.</p>
			<LoneForm doIt="Sign in">
				<LoneField name="code" label="Code" autoComplete="one-time-code" autoFocus />
			</LoneForm>
		</LonePage>
	)
}
