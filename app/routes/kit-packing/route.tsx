/** Packing as one goes: a big tick for every line of every bag, kept on the server and through a reload. */
import { addTicks, clearTicks, removeTicks } from '../../../db/repositories/packing.server'
import { useHydrated } from '../../components/use-hydrated'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../http/contexts'
import { readBody, readId } from '../../http/read-input.server'
import { acting, loading } from '../../http/responses.server'
import { packingSchema } from '../../schemas/packing'
import type { Route } from './+types/route'
import { loadPacking } from './load-packing.server'
import { Packing } from './packing'
import './kit-packing.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(() => loadPacking(context.get(memberContext).studio, readId(params.courseId)))
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		const { intent, ticks } = await readBody(request, packingSchema)
		switch (intent) {
			case 'pack':
				await addTicks(studio.id, courseId, ticks, new Date())
				break
			case 'unpack':
				await removeTicks(studio.id, courseId, ticks)
				break
			case 'clear':
				await clearTicks(studio.id, courseId)
		}
		return { done: intent }
	})
}

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
