/** What the hygrometer of the session's room reads now. */
import { roomOf } from '../../../../core/plan/compile/drying-terms'
import { NotFoundError } from '../../../../core/errors'
import { listPlaces } from '../../../../db/repositories/places.server'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { readLive } from '../../../studio/readings/live-readings.server'
import { readRunKey } from '../../read-run.server'
import type { Route } from './+types/route'

export interface AirNow {
	temperatureC: number
	/** Relative, in [0, 1]. */
	humidity: number
	ageMinutes: number
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { session } = readRunKey(params)
		const [course, places] = await Promise.all([courseOfPage(context, params), listPlaces(studio.id)])
		const own = course.sessions[session - 1]
		if (!own) throw new NotFoundError('The course has no such session.')
		const { id } = roomOf({ places }, own.roomId)
		const place = places.find((one) => one.id === id)
		const live = place && (await readLive(studio, [place])).get(id)
		const air: AirNow | undefined =
			live && !live.isOld
				? { temperatureC: live.temperatureC, humidity: live.humidity, ageMinutes: live.ageMinutes }
				: undefined
		return Response.json({ air: air ?? null }, { headers: { 'Cache-Control': 'no-store' } })
	})
}
