/** Lets somebody in: a sign-in of her own on this device, and her look. */
import { redirect } from 'react-router'
import { getLook } from '../../db/repositories/accounts.server'
import { createLink } from '../../db/repositories/links.server'
import { asksForCode } from '../../db/repositories/one-time-codes.server'
import { createSignIn, endSignIn, findMemberById } from '../../db/repositories/sign-ins.server'
import { note } from './note-changes.server'
import { deviceWords } from './device-words'
import { writeLook } from './look-cookie.server'
import { keepToken, readToken } from './sign-in-cookie.server'

async function noteEntry(request: Request, userId: number): Promise<void> {
	const member = await findMemberById(userId)
	// By which door; what opened it stays unsaid.
	const [, door = ''] = new URL(request.url).pathname.split('/')
	const path = `/${door.replace(/\.data$/, '')}`
	if (member) await note({ studioId: member.studio.id, userId, path, intent: '' })
}

/** Somebody with the right password: asked for a code first, where she wants that. */
export async function enterWithPassword(request: Request, userId: number, to: string): Promise<Response> {
	if (!(await asksForCode(userId))) return enter(request, userId, to)
	const token = await createLink({ kind: 'code', userId }, new Date())
	return redirect(`/sign-in/code/${token}?to=${encodeURIComponent(to)}`)
}

/** @param to - a page of ours */
export async function enter(request: Request, userId: number, to: string): Promise<Response> {
	// A token from before the sign-in, planted or old, must not live on.
	const before = await readToken(request)
	if (before) await endSignIn(before)
	const token = await createSignIn(userId, new Date(), deviceWords(request.headers.get('User-Agent') ?? ''))
	await noteEntry(request, userId)
	const headers = new Headers({ 'Set-Cookie': await keepToken(token) })
	headers.append('Set-Cookie', await writeLook(await getLook(userId)))
	return redirect(to, { headers })
}
