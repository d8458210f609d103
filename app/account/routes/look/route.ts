/** Keeps how a person wants the screens: with her, and in a cookie for the next page. */
import { data } from 'react-router'
import { keepLook } from '../../../../db/repositories/accounts.server'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { writeLook } from '../../look-cookie.server'
import { lookSchema } from '../../schemas/look'
import type { Route } from './+types/route'

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { light, reach } = await readBody(request, lookSchema)
		const look = { ...(light && { light }), ...(reach && { reach }) }
		await keepLook(context.get(memberContext).userId, look)
		return data({ kept: true }, { headers: { 'Set-Cookie': await writeLook(look) } })
	})
}
