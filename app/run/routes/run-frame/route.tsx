/** What stands round the screens of a class: nothing, so that there is room for what is read at arm's length. */
import { Outlet } from 'react-router'
import { requireMember } from '../../../account/require-member.server'
import { memberContext } from '../../../shared/http/contexts'
import { useOwnDevice } from '../../offline/own-device'
import type { Route } from './+types/route'

export const middleware: Route.MiddlewareFunction[] = [requireMember]

export function loader({ context }: Route.LoaderArgs) {
	const { role, studio } = context.get(memberContext)
	return { role, studioId: studio.id }
}

export default function RunFrame({ loaderData: { studioId } }: Route.ComponentProps) {
	useOwnDevice(studioId)
	return (
		<main id="main" tabIndex={-1}>
			<Outlet />
		</main>
	)
}
