import { redirect } from 'react-router'
import { endSignIn } from '../../../../db/repositories/sign-ins.server'
import { forgetToken, readToken } from '../../sign-in-cookie.server'
import type { Route } from './+types/route'

export function loader() {
	return redirect('/')
}

export async function action({ request }: Route.ActionArgs) {
	const token = await readToken(request)
	if (token) await endSignIn(token)
	return redirect('/sign-in', { headers: { 'Set-Cookie': await forgetToken() } })
}
