/** A member's calendar under its secret address: read by programs that cannot sign in, answered from what they know already. */
import { createHash } from 'node:crypto'
import { NotFoundError } from '../../../../core/errors'
import { findFeedMember } from '../../../../db/repositories/calendars.server'
import { loading } from '../../../shared/http/responses.server'
import { writeMemberCalendar } from '../../write-calendars.server'
import type { Route } from './+types/route'

export function loader({ params, request }: Route.LoaderArgs) {
	return loading(async () => {
		const member = await findFeedMember(params.token.replace(/\.ics$/, ''))
		if (!member) throw new NotFoundError('There is no calendar under this address.')
		const text = await writeMemberCalendar(member)
		const tag = `"${createHash('sha256').update(text).digest('base64url')}"`
		const headers = {
			ETag: tag,
			// Asked again each time, sent again only when it has changed.
			'Cache-Control': 'private, no-cache',
			'Content-Type': 'text/calendar; charset=utf-8',
			'X-Robots-Tag': 'noindex',
		}
		const known = request.headers.get('If-None-Match')?.split(/,\s*/) ?? []
		if (known.some((one) => one.replace(/^W\//, '') === tag)) return new Response(null, { status: 304, headers })
		return new Response(text, { headers })
	})
}
