/** Who may found a studio here, by CALYCINE_SIGN_UP. */
import { UnavailableError } from '../../core/errors'
import { isEmpty } from '../../db/repositories/accounts.server'

/**
 * `closed`: the first visitor with the link that the start prints, nobody after her. `invite`: whoever has a link from
 * `npm run invite`. `open`: everybody.
 */
export type SignUp = 'closed' | 'invite' | 'open'

export function signUp(): SignUp {
	const word = process.env['CALYCINE_SIGN_UP']
	return word === 'open' || word === 'invite' ? word : 'closed'
}

/** In the address where no link is needed. */
export const OPEN = 'open'

let isFounded = false

/** Whether anybody can sign in. Asked until somebody can; where the database is away it is taken for granted. */
export async function hasStudio(): Promise<boolean> {
	if (isFounded) return true
	try {
		return (isFounded = !(await isEmpty()))
	} catch (error) {
		if (error instanceof UnavailableError) return true
		throw error
	}
}

/** Whether a studio may be founded, with a link that is good. */
export async function mayFound(): Promise<boolean> {
	return signUp() !== 'closed' || (await isEmpty())
}
