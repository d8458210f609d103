/** Lets nobody past who is not signed in. */
import { redirect, type MiddlewareFunction } from 'react-router'
import { findMember } from '../../db/repositories/accounts.server'
import { memberContext } from '../shared/http/contexts'
import { loading } from '../shared/http/responses.server'
import { readToken } from './sign-in-cookie.server'

/** Middleware above every route of a studio: finds the member, or sends to the sign-in page and back. */
export const requireMember: MiddlewareFunction<Response> = ({ request, url, context }) => {
	return loading(async () => {
		const token = await readToken(request)
		const member = token && (await findMember(token, new Date()))
		if (member) return void context.set(memberContext, member)
		const returnTo = request.method === 'GET' ? `${url.pathname}${url.search}` : '/'
		throw redirect(returnTo === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(returnTo)}`)
	})
}
