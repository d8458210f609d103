/** The signed cookie that carries a sign-in's token. */
import { createCookie } from 'react-router'
import { SIGN_IN_DAYS } from '../../db/repositories/sign-ins.server'

let cookie: ReturnType<typeof createCookie> | undefined

function signInCookie() {
	const secret = process.env['CALYCINE_SESSION_SECRET']
	if (!secret) throw new Error('CALYCINE_SESSION_SECRET is not set; `npm start` sets it')
	cookie ??= createCookie('calycine', {
		httpOnly: true,
		sameSite: 'lax',
		path: '/',
		maxAge: SIGN_IN_DAYS * 86_400,
		secrets: [secret],
		// Behind a proxy with HTTPS the cookie must not travel in the clear.
		secure: process.env['CALYCINE_HTTPS'] === '1',
	})
	return cookie
}

/** The token that the request carries, or undefined if there is none or its signature is wrong. */
export async function readToken(request: Request): Promise<string | undefined> {
	const token: unknown = await signInCookie().parse(request.headers.get('Cookie'))
	return typeof token === 'string' && token !== '' ? token : undefined
}

/** A Set-Cookie value that keeps the token. */
export function keepToken(token: string): Promise<string> {
	return signInCookie().serialize(token)
}

/** A Set-Cookie value that forgets it. */
export function forgetToken(): Promise<string> {
	return signInCookie().serialize('', { maxAge: 0 })
}
