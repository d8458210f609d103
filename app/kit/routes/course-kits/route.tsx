/** Kits: one student's, everybody's, or table by table. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { allergensOf } from '../../../../core/design/allergens'
import { cautionsOf } from '../../../../core/design/cautions'
import { withoutReasons } from '../../../../core/kit/without-reasons'
import { isAtLeast, type Role } from '../../../../core/vocabulary/role'
import { CautionList } from '../../../design/components/caution-list/caution-list'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { readKitView } from '../../schemas/kit-view'
import { exchangeWords, seatName } from '../../words/kits'
import type { Route } from './+types/route'
import { AmountTable, KitTable } from './kit-table'
import { SeatKit } from './seat-kit'
import { TableKits } from './table-kits'
import { ViewLinks } from './view-links'
import './course-kits.css'

const SPARE_WORDS: Record<number, string> = { 0.8: '8 times in 10', 0.9: '9 times in 10', 0.95: '19 times in 20' }

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio, role } = context.get(memberContext)
		const { kit, course, state, designs } = await readKit(studio, await courseOfPage(context, params))
		// Sheets are drawn on a page of their own, and are most of the data.
		const { sheets: _, ...shown } = kit ?? { sheets: [] }
		return {
			state,
			view: readKitView(new URL(request.url).searchParams, course.studentCount),
			kit: kit ? showTo(role, shown as Omit<typeof kit, 'sheets'>) : undefined,
			units: studio.units,
			spareWords: SPARE_WORDS[course.spareConfidence] ?? `in ${Math.round(course.spareConfidence * 100)} % of cases`,
			reserve: studio.kitTerms.reserveShare,
			leftHanders: designs.flatMap(({ design: { steps } }) =>
				steps.flatMap(({ label, leftHanders }) => (leftHanders ? [{ label, sentence: leftHanders }] : [])),
			),
			cautions: cautionsOf(...designs.map(({ design }) => design)),
			allergens: designs.map(({ design }) => ({ name: design.name, allergens: allergensOf(design) })),
		}
	})
}

function showTo<K extends Parameters<typeof withoutReasons>[0]>(role: Role, kit: K): K {
	return isAtLeast(role, 'instructor') ? kit : withoutReasons(kit)
}

/** The kits of a course: a student’s, a table’s, or the whole class’s. */
export default function CourseKitsPage({ loaderData: { state, view, kit, ...page } }: Route.ComponentProps) {
	const seat = kit?.seats[(view.type === 'seat' ? view.seat : 1) - 1]
	return (
		<KitNotices state={state}>
			{kit && seat && (
				<>
					<ViewLinks view={view} seats={kit.seats} exchanges={kit.exchanges} />
					{view.type === 'seat' && (
						<SeatKit
							kit={kit}
							seat={seat}
							units={page.units}
							spareWords={page.spareWords}
							leftHanders={page.leftHanders}
						/>
					)}
					{view.type === 'tables' && <TableKits kit={kit} size={view.size} units={page.units} />}
					{view.type === 'class' && (
						<section className="sheet" aria-labelledby="pieces">
							<h2 id="pieces">Pieces of the class</h2>
							<KitTable lines={kit.lines} spareWords={page.spareWords} />
							<h2 className="kit-second">Paste and supplies of the class</h2>
							<p className="soft">
								Reserve of {Math.round(100 * page.reserve)} % on what is used up. Press an amount to see where it comes
								from.
							</p>
							<AmountTable kit={kit} units={page.units} />
						</section>
					)}
					{view.type === 'class' && kit.exchanges.length > 0 && (
						<section className="sheet" aria-labelledby="exchanges">
							<h2 id="exchanges">Exchanged</h2>
							<ul>
								{kit.exchanges.map((exchange, e) => (
									<li key={e}>
										{seatName(kit.seats[exchange.seatNumber - 1] ?? { number: exchange.seatNumber })}:{' '}
										{exchangeWords(exchange)}
									</li>
								))}
							</ul>
						</section>
					)}
					<section aria-labelledby="hand-out">
						<h2 id="hand-out">For the hand-out</h2>
						<ul className="kit-allergens">
							{page.allergens.map(({ name, allergens }) => (
								<li key={name}>
									<strong>{name}:</strong>{' '}
									{allergens.length === 0
										? 'no allergen known'
										: allergens.map(({ allergen, sources }) => `${allergen} (${sources.join(', ')})`).join('; ')}
								</li>
							))}
						</ul>
						<p className="soft small">
							Usual ingredients; the labels of what you buy have the last word. Ask every student.
						</p>
						{page.cautions.length > 0 && <CautionList cautions={page.cautions} />}
					</section>
					<p className="no-print">
						<LinkButton type="primary" to={`/courses/${state.courseId}/kits/packing`}>
							Pack them
						</LinkButton>
					</p>
				</>
			)}
		</KitNotices>
	)
}
