/** What stands round the screens of a class: nothing, so that there is room for what is read at arm's length. */
import { Outlet } from 'react-router'
import { requireMember } from '../../../account/require-member.server'
import type { Route } from './+types/route'

export const middleware: Route.MiddlewareFunction[] = [requireMember]

export default function RunFrame() {
	return (
		<main id="main" tabIndex={-1}>
			<Outlet />
		</main>
	)
}
