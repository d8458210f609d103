/** When somebody is free for work before class: a weekly pattern, days on which it is otherwise, and how much on one day. */
import { Button, Form, Select } from 'antd'
import { useState } from 'react'
import { getFreeTime, keepFreeTime } from '../../../../db/repositories/accounts.server'
import { DayInput } from '../../../shared/components/fields/day-input'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'
import { TimeInput } from '../../../shared/components/fields/time-input'
import { LinkButton } from '../../../shared/components/link-button'
import { SheetForm } from '../../../shared/components/sheet-form'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { freeTimeSchema, type FreeTimeInput } from '../../schemas/preparation'
import type { Route } from './+types/route'
import './free-time.css'

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'].map((label, d) => {
	return { value: d + 1, label }
})
const EVENING = { startMin: 18 * 60, endMin: 19 * 60 }

export function meta() {
	return [{ title: 'Your free time · Calycine' }]
}

export async function loader({ context }: Route.LoaderArgs) {
	return getFreeTime(context.get(memberContext).userId)
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		await keepFreeTime(context.get(memberContext).userId, await readBody(request, freeTimeSchema))
		return { saved: true }
	})
}

/** Kept with the person, not with the studio: colleagues have hours of their own. */
export default function FreeTimePage({ loaderData: freeTime }: Route.ComponentProps) {
	const [isDirty, setDirty] = useState(false)
	const state = useSchemaForm<FreeTimeInput>({ schema: freeTimeSchema, onSaved: () => setDirty(false) })
	useLeaveGuard(isDirty && !state.isSaving)
	return (
		<>
			<div className="page-head">
				<h1>Your free time</h1>
				<p className="soft">for work before class; sessions are taken out of it by themselves</p>
				<LinkButton className="push" to="/preparation">
					The days before
				</LinkButton>
			</div>
			<SheetForm state={state} initial={freeTime} saveLabel="Save" isDirty={isDirty} onChange={() => setDirty(true)}>
				<section className="sheet">
					<h2>Every week</h2>
					<SpanList name="weekly" isWeekly />
					<Form.Item name="mostMinutesADay" label="On one day no more than" className="narrow">
						<DecimalInput step={15} suffix="min" />
					</Form.Item>
				</section>
				<section className="sheet">
					<h2>Otherwise on some days</h2>
					<p className="soft small">A day without a stretch is a day off.</p>
					<Exceptions />
				</section>
			</SheetForm>
		</>
	)
}

/** Stretches of free time, of weekdays or of one day. */
function SpanList({ name, isWeekly = false }: { name: string | (string | number)[]; isWeekly?: boolean }) {
	return (
		<Form.List name={name}>
			{(fields, { add, remove }, { errors }) => (
				<>
					{fields.map(({ key, name: own }) => (
						<div className="fields" key={key}>
							{isWeekly && (
								<Form.Item name={[own, 'weekday']} label="Day">
									<Select options={WEEKDAYS} className="weekday-select" />
								</Form.Item>
							)}
							<Form.Item name={[own, 'startMin']} label="From">
								<TimeInput />
							</Form.Item>
							<Form.Item name={[own, 'endMin']} label="Until">
								<TimeInput />
							</Form.Item>
							<Button className="row-button" onClick={() => remove(own)}>
								Take off
							</Button>
						</div>
					))}
					<Form.ErrorList errors={errors} />
					<Button onClick={() => add(isWeekly ? { weekday: 6, ...EVENING } : EVENING)}>One more stretch</Button>
				</>
			)}
		</Form.List>
	)
}

function Exceptions() {
	return (
		<Form.List name="exceptions">
			{(fields, { add, remove }) => (
				<>
					{fields.map(({ key, name }) => (
						<div key={key} className="free-exception">
							<div className="fields">
								<Form.Item name={[name, 'date']} label="On">
									<DayInput />
								</Form.Item>
								<Form.Item name={[name, 'mostMinutes']} label="No more than">
									<DecimalInput step={15} suffix="min" placeholder="as usual" />
								</Form.Item>
								<Button className="row-button" onClick={() => remove(name)}>
									As every week
								</Button>
							</div>
							<SpanList name={[name, 'spans']} />
						</div>
					))}
					<Button onClick={() => add({ date: '', spans: [] })}>One more day</Button>
				</>
			)}
		</Form.List>
	)
}
