/** Lets somebody in: a sign-in of her own on this device, and her look. */
import { redirect } from 'react-router'
import { getLook } from '../../db/repositories/accounts.server'
import { createSignIn, endSignIn } from '../../db/repositories/sign-ins.server'
import { deviceWords } from './device-words'
import { writeLook } from './look-cookie.server'
import { keepToken, readToken } from './sign-in-cookie.server'

/** @param to - a page of ours */
export async function enter(request: Request, userId: number, to: string): Promise<Response> {
	// A token from before the sign-in, planted or old, must not live on.
	const before = await readToken(request)
	if (before) await endSignIn(before)
	const token = await createSignIn(userId, new Date(), deviceWords(request.headers.get('User-Agent') ?? ''))
	const headers = new Headers({ 'Set-Cookie': await keepToken(token) })
	headers.append('Set-Cookie', await writeLook(await getLook(userId)))
	return redirect(to, { headers })
}
