import { Link } from 'react-router'
import { InputError } from '../../../../core/errors'
import { findUserByPassword } from '../../../../db/repositories/accounts.server'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { hasStudio, signUp } from '../../sign-up.server'
import { localTarget } from '../../local-target'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { enterWithPassword } from '../../enter.server'
import { countAttempt, forgiveAttempt } from '../../sign-in-limit.server'
import { clientAddress } from '../../../shared/http/client-address.server'
import { signInSchema } from '../../schemas/sign-in'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'Sign in · Calycine' }]
}

export async function loader() {
	return { hasStudio: await hasStudio(), isOpen: signUp() === 'open' }
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { email, password } = await readBody(request, signInSchema)
		const address = clientAddress(context)
		await countAttempt(email, address)
		const userId = await findUserByPassword(email, password)
		if (userId === undefined) throw new InputError([{ path: 'password', message: 'Address or password is not right' }])
		await forgiveAttempt(email, address)
		return enterWithPassword(request, userId, localTarget(new URL(request.url).searchParams.get('to')))
	})
}

/** The door: address and password, before and without scripts. */
export default function SignIn({ loaderData: { hasStudio, isOpen } }: Route.ComponentProps) {
	if (!hasStudio) return <NoStudioYet isOpen={isOpen} />
	return (
		<LonePage head="Sign in to your bench">
			<p className="soft">
				Plans for classes in sugar flowers and ornaments: what dries by when, what fits, what goes into each kit.
			</p>
			<LoneForm doIt="Sign in">
				<LoneField name="email" label="E-mail address" type="email" autoComplete="username" autoFocus />
				<LoneField name="password" label="Password" type="password" autoComplete="current-password" />
			</LoneForm>
			<p className="row">
				<Link to="/forgot">I forgot my password</Link>
				{isOpen && <Link to="/set-up/open">Set up a new studio</Link>}
			</p>
		</LonePage>
	)
}

function NoStudioYet({ isOpen }: { isOpen: boolean }) {
	return (
		<LonePage head="No studio yet">
			<p>
				{isOpen
					? 'Yours is the first here.'
					: 'The first one is set up with a link: it stands where Calycine was started, in the lines that it printed.'}
			</p>
			{isOpen && (
				<p>
					<Link to="/set-up/open">Set up your studio</Link>
				</p>
			)}
		</LonePage>
	)
}
