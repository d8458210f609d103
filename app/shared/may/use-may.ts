import { useLocation, useResolvedPath, useRouteLoaderData } from 'react-router'
import type { Role } from '../../../core/vocabulary/role'
import { isExplored, mayRead, mayWrite } from './may'

/** Of whoever looks at the page; outside a studio nobody is kept from anything. */
export function useRole(): Role {
	const frame = useRouteLoaderData<{ role: Role }>('frame/route')
	const run = useRouteLoaderData<{ role: Role }>('run/routes/run-frame/route')
	return (frame ?? run)?.role ?? 'owner'
}

/** Whether she may open what a link leads to. */
export function useMayOpen(to: string): boolean {
	return mayRead(useRole(), useResolvedPath(to).pathname)
}

/** Whether she may change something on the page that is open. */
export function useMayChange(): boolean {
	return mayWrite(useRole(), useLocation().pathname)
}

/** Whether the fields of the page that is open are for her. */
export function useMayTry(): boolean {
	const mayChange = useMayChange()
	return isExplored(useLocation().pathname) || mayChange
}
