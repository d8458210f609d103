/** Packing as one goes: a big tick for every line of every bag, kept on the server and through a reload. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'
import { loadPacking } from './load-packing.server'
import { Packing } from './packing'
import './kit-packing.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => loadPacking(context.get(memberContext).studio, await courseOfPage(context, params)))
}

/** Bags to pack, ticked off line by line. */
export default function KitPackingPage({ loaderData }: Route.ComponentProps) {
	// Unpacked in another window, the ticks begin anew.
	const isAlive = useHydrated()
	const key = `${loaderData.ticks.length === 0 ? 'empty' : 'begun'} ${isAlive}`
	return (
		<KitNotices state={loaderData.state}>
			<Packing key={key} data={loaderData} isAlive={isAlive} />
		</KitNotices>
	)
}
