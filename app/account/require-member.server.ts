/** Lets nobody past who is not signed in. */
import { redirect, type MiddlewareFunction } from 'react-router'
import { ForbiddenError } from '../../core/errors'
import { findMember, type Member } from '../../db/repositories/sign-ins.server'
import { memberContext } from '../shared/http/contexts'
import { noteChanges } from './note-changes.server'
import { mayRead, mayWrite } from '../shared/may/may'
import { loading } from '../shared/http/responses.server'
import { readToken } from './sign-in-cookie.server'

/** Middleware above every route of a studio: finds the member, or sends to the sign-in page and back. */
export const requireMember: MiddlewareFunction<Response> = async ({ request, url, context }, next) => {
	const member = await loading(async () => {
		const token = await readToken(request)
		const member = token && (await findMember(token, new Date()))
		if (member) {
			refuseForbidden(member, request.method, url.pathname)
			context.set(memberContext, member)
			return member
		}
		const returnTo = request.method === 'GET' ? `${url.pathname}${url.search}` : '/'
		throw redirect(returnTo === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(returnTo)}`)
	})
	return isRead(request.method) ? next() : noteChanges(member, url.pathname, next)
}

/** Whether she who asked is signed in still, in that studio, and may read what she asked for: for answers that go on. */
export async function mayStillRead(request: Request, studioId: number): Promise<boolean> {
	const token = await readToken(request)
	const member = token === undefined ? undefined : await findMember(token, new Date())
	return member?.studio.id === studioId && mayRead(member.role, new URL(request.url).pathname)
}

function isRead(method: string): boolean {
	return method === 'GET' || method === 'HEAD'
}

/** @throws {ForbiddenError} she may not open it, or change anything there */
function refuseForbidden({ role, studio }: Member, method: string, path: string): void {
	const isOpened = isRead(method)
	if (isOpened ? mayRead(role, path) : mayWrite(role, path)) return
	const what = isOpened ? 'This page is not open to you' : 'This is not for you to change'
	throw new ForbiddenError(`${what} as ${role} of ${studio.name}. Ask an owner of the studio.`)
}
