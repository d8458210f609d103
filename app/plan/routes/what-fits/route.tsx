/** What of the design book can be made in a time that is to be filled; a press makes the course. */
import { useState } from 'react'
import {
	redirect,
	useActionData,
	useNavigation,
	useSearchParams,
	useSubmit,
	type ShouldRevalidateFunctionArgs,
} from 'react-router'
import { completePicks } from '../../../../core/design/resolve-design'
import { toCourse } from '../../../../core/plan/what-fits/slot'
import type { FitWay } from '../../../../core/plan/what-fits/what-fits'
import { addDays } from '../../../../core/time/calendar'
import { getDesign, listDesignOptions } from '../../../../db/repositories/designs.server'
import { listPlaces } from '../../../../db/repositories/places.server'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { clock, count } from '../../../shared/words/times'
import { createPlannedCourse } from '../../save-course.server'
import { makeCourseSchema } from '../../schemas/make-course'
import { readSlotAddress, toSlot, type SlotAddress } from '../../schemas/slot-address'
import { useMayChange } from '../../../shared/may/use-may'
import type { Route } from './+types/route'
import { FitList } from './fit-list'
import { SlotForm } from './slot-form'
import { useFound, type Found } from './use-found'
import './what-fits.css'

export function meta() {
	return [{ title: 'What fits? · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const [designs, places] = await Promise.all([listDesignOptions(studio.id), listPlaces(studio.id)])
		return {
			asked: readSlotAddress(new URL(request.url).searchParams, addDays(today(studio.timeZone), 7)),
			designs,
			rooms: places.filter(({ kind }) => kind === 'room').map(({ id, name }) => ({ id, name })),
		}
	})
}

/** What is asked is known here; only the book could have changed, and it has not. */
export function shouldRevalidate({ formMethod, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs): boolean {
	return formMethod === undefined ? false : defaultShouldRevalidate
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const { designId, picks, flowers } = await readBody(request, makeCourseSchema)
		const asked = readSlotAddress(new URL(request.url).searchParams, addDays(today(studio.timeZone), 7))
		const { document } = await getDesign(studio.id, designId)
		const way = { picks: completePicks(document, picks), flowers }
		const id = await createPlannedCourse(studio, toCourse(toSlot(asked), document, way))
		return redirect(`/courses/${id}/plan`)
	})
}

/** The question that starts most classes, and its answer as it is found. */
export default function WhatFits({ loaderData: { asked: first, designs, rooms } }: Route.ComponentProps) {
	const [, setSearch] = useSearchParams()
	// Two answers may be given before the address has taken the first.
	const [asked, setAsked] = useState(first)
	const submit = useSubmit()
	const isBusy = useNavigation().state !== 'idle'
	const mayChange = useMayChange()
	const refused = useActionData<typeof action>()
	// The whole question stands in the address, so that it can be kept and come back to.
	const query = new URLSearchParams(toTerms(asked)).toString()
	const found = useFound(query)
	const change = (terms: Partial<SlotAddress>) => {
		const next = { ...asked, ...terms }
		setAsked(next)
		setSearch(toTerms(next), { replace: true, preventScrollReset: true })
	}
	const make = (designId: string, { picks, flowers }: FitWay) =>
		void submit(
			{ designId, picks, flowers },
			{ method: 'post', encType: 'application/json', action: `/courses/what-fits?${query}` },
		)
	return (
		<>
			<div className="page-head">
				<h1>What fits?</h1>
				<p className="soft">Your whole book, in every way that it can be made, planned for this time.</p>
			</div>
			<div className="what-fits">
				<SlotForm asked={asked} rooms={rooms} onChange={change} />
				<section className="stack" aria-label="What fits" aria-busy={!found.isDone}>
					<p className="fit-progress" role="status">
						{progressWords(found)}
					</p>
					{refused && 'message' in refused && (
						<p className="alert" role="alert">
							{refused.message}
						</p>
					)}
					{found.failed !== undefined && (
						<p className="alert" role="alert">
							{found.failed}
						</p>
					)}
					<FitList fits={found.fits} designs={designs} isBusy={isBusy || !mayChange} onMake={make} />
				</section>
			</div>
		</>
	)
}

/** '3 designs fit whole, 2 more with something asked; 4 of 10 looked at…'. */
function progressWords({ fits, looked, of, isDone }: Found): string {
	if (of === 0) return 'No design of your book is like that.'
	const best = fits.flatMap(({ ways }) => ways[0] ?? [])
	const whole = best.filter(({ asks, isUsual }) => asks === 'nothing' && isUsual).length
	const told = [
		`${count(whole, 'design')} ${whole === 1 ? 'fits' : 'fit'} whole`,
		...(best.length > whole ? [`${best.length - whole} more in another way or with something asked`] : []),
	].join(', ')
	if (isDone) return looked === of ? `${told}.` : `${told}; ${looked ?? 0} of ${of ?? 0} were looked at.`
	return `${told}; ${looked ?? 0}${of === undefined ? '' : ` of ${of}`} looked at…`
}

/** As the address says it. */
function toTerms({ from, to, room, ...asked }: SlotAddress): Record<string, string> {
	return {
		...Object.fromEntries(Object.entries(asked).map(([name, value]) => [name, String(value)])),
		from: clock(from),
		to: clock(to),
		...(room !== undefined && { room: String(room) }),
	}
}
