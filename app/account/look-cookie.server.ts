/** The cookie that tells the server a person's look, so that the first picture of every page has it already. */
import { createCookie } from 'react-router'
import { lookSchema, type Look } from './schemas/look'

const YEAR_SECONDS = 365 * 86_400

const cookie = createCookie('calycine-look', {
	httpOnly: true,
	sameSite: 'lax',
	path: '/',
	maxAge: YEAR_SECONDS,
	secure: process.env['CALYCINE_HTTPS'] === '1',
})

/** The look that the request asks for; {} where it says none that can be read. */
export async function readLook(request: Request): Promise<Look> {
	const value: unknown = await cookie.parse(request.headers.get('Cookie'))
	return lookSchema.isValidSync(value, { strict: true }) ? value : {}
}

/** A Set-Cookie value that keeps the look. */
export function writeLook(look: Readonly<Record<string, string>>): Promise<string> {
	return cookie.serialize(look)
}
