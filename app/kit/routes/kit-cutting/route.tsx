/** Wires as they are to be cut, and sheets as they are to be rolled. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { wireDiameterMm } from '../../../../core/materials/wire-gauge'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import type { Route } from './+types/route'
import { SheetDrawings } from './sheet-drawings'
import { WirePlan } from './wire-plan'
import './kit-cutting.css'

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { kit, state } = await readKit(studio, await courseOfPage(context, params))
		return {
			state,
			isByKit: new URL(request.url).searchParams.get('cut') === 'by-kit',
			units: studio.units,
			stockLengthsMm: studio.wireLengthsMm,
			studentCount: kit?.studentCount ?? 0,
			sheets: kit?.sheets ?? [],
			wires: (kit?.wires ?? []).map((group) => ({
				...group,
				diameterMm: wireDiameterMm(group.gauge, studio.gaugeStandard),
			})),
		}
	})
}

/** Wires and sheets as they are to be cut. */
export default function KitCuttingPage({ loaderData: { state, wires, sheets, ...page } }: Route.ComponentProps) {
	return (
		<KitNotices state={state}>
			<section className="sheet" aria-labelledby={wires.length > 0 ? 'wires' : 'no-wires'}>
				{wires.length > 0 ? <WirePlan wires={wires} {...page} /> : <h2 id="no-wires">No wires in this course</h2>}
			</section>
			<section className="sheet" aria-labelledby="sheets">
				<h2 id="sheets">Sheets to roll</h2>
				<p className="soft">
					The least paste with which every piece can be cut: each sheet as it is laid out, the rest kneaded back and
					rolled again.
				</p>
				{sheets.length === 0 && <p className="soft">Nothing of this course is cut from a sheet.</p>}
				{sheets.map((group) => (
					<SheetDrawings
						key={`${group.maker} ${group.item.key} ${group.thicknessMm}`}
						group={group}
						units={page.units}
					/>
				))}
			</section>
		</KitNotices>
	)
}
