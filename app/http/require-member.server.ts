/** Lets nobody past who is not signed in. */
import { redirect, type MiddlewareFunction } from 'react-router'
import { findMember } from '../../db/repositories/accounts.server'
import { memberContext } from './contexts'
import { readToken } from './sign-in-cookie.server'

/** Middleware above every route of a studio: finds the member, or sends to the sign-in page and back. */
export const requireMember: MiddlewareFunction<Response> = async ({ request, context }) => {
	const token = await readToken(request)
	const member = token && (await findMember(token, new Date()))
	if (!member) {
		const { pathname, search } = new URL(request.url)
		const returnTo = request.method === 'GET' ? `${pathname.replace(/\.data$/, '')}${search}` : '/'
		throw redirect(returnTo === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(returnTo)}`)
	}
	context.set(memberContext, member)
}
