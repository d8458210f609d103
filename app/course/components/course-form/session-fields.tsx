import { Button, Form, Select } from 'antd'
import { USUAL_MOVE_MINUTES, type Course, type Session } from '../../../../core/course/course'
import { withExtraSession } from '../../../../core/course/extra-session'
import type { Place } from '../../../../core/drying/place'
import { handsOnMinutes } from '../../../../core/course/session-hours'
import { duration, sessionName } from '../../../shared/words/times'
import { DayInput } from '../../../shared/components/fields/day-input'
import { TimeInput } from '../../../shared/components/fields/time-input'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

const MAX_BREAKS = 6

/** A room or a store to choose. */
export type PlaceOption = Pick<Place, 'id' | 'kind' | 'name'>

/** For a select. */
export function toOptions(places: readonly PlaceOption[]): { value: number; label: string }[] {
	return places.map(({ id, name }) => ({ value: id, label: name }))
}

/** The sessions of a course: date, hours, setting up, breaks, clearing away. */
export function SessionFields({ places }: { places: readonly PlaceOption[] }) {
	const form = Form.useFormInstance<Course>()
	const rooms = places.filter(({ kind }) => kind === 'room')
	return (
		<Form.List name="sessions">
			{(fields, { add, remove }, { errors }) => (
				<>
					{fields.map(({ key, name }) => (
						<fieldset key={key} className="session-fields">
							<SessionLegend position={name} />
							<div className="fields">
								<Form.Item name={[name, 'date']} label="Date">
									<DayInput />
								</Form.Item>
								<Form.Item name={[name, 'startMin']} label="Starts">
									<TimeInput />
								</Form.Item>
								<Form.Item name={[name, 'endMin']} label="Ends">
									<TimeInput />
								</Form.Item>
								<Form.Item name={[name, 'setUpMinutes']} label="Setting up">
									<DecimalInput suffix="min" step={5} />
								</Form.Item>
								<Form.Item name={[name, 'clearAwayMinutes']} label="Clearing away">
									<DecimalInput suffix="min" step={5} />
								</Form.Item>
								<Form.Item name={[name, 'bufferMinutes']} label="To spare at its end">
									<DecimalInput suffix="min" step={5} placeholder="as usual" />
								</Form.Item>
								{rooms.length > 1 && (
									<Form.Item name={[name, 'roomId']} label="Where">
										<Select
											className="place-select"
											placeholder={rooms[0]?.name}
											allowClear
											options={toOptions(rooms)}
										/>
									</Form.Item>
								)}
								{fields.length > 1 && (
									<Button onClick={() => remove(name)} className="row-button">
										Take off
									</Button>
								)}
							</div>
							<BreakFields position={name} />
						</fieldset>
					))}
					<Form.ErrorList errors={errors} />
					<Button
						className="add-button"
						onClick={() => {
							const sessions = ((form.getFieldValue('sessions') as Session[] | undefined) ?? []).filter(
								({ date }) => date,
							)
							add(withExtraSession({ ...(form.getFieldsValue(true) as Course), sessions }).sessions.at(-1))
						}}
					>
						One more session
					</Button>
				</>
			)}
		</Form.List>
	)
}

function SessionLegend({ position }: { position: number }) {
	const form = Form.useFormInstance<Course>()
	const session = Form.useWatch(['sessions', position], form) as Partial<Session> | undefined
	const minutes = session && isWhole(session) ? handsOnMinutes(session) : undefined
	return (
		<legend>
			{sessionName(session?.startMin ?? 0, position + 1)}
			{minutes !== undefined && (
				<span className="soft"> · {minutes > 0 ? `${duration(minutes)} for the hands` : 'no time for the hands'}</span>
			)}
		</legend>
	)
}

/** Whether every number of a session that is being typed is there. */
function isWhole(session: Partial<Session>): session is Session {
	const { startMin, endMin, setUpMinutes, clearAwayMinutes, breaks } = session
	const numbers = [
		startMin,
		endMin,
		setUpMinutes,
		clearAwayMinutes,
		...(breaks ?? []).flatMap((pause) => [pause?.startMin, pause?.minutes]),
	]
	return numbers.every((number) => Number.isFinite(number))
}

function BreakFields({ position }: { position: number }) {
	const form = Form.useFormInstance<Course>()
	return (
		<Form.List name={[position, 'breaks']}>
			{(fields, { add, remove }) => (
				<div className="break-fields">
					{fields.map(({ key, name }) => (
						<div className="fields" key={key}>
							<Form.Item name={[name, 'startMin']} label="Break at">
								<TimeInput />
							</Form.Item>
							<Form.Item name={[name, 'minutes']} label="for">
								<DecimalInput suffix="min" step={5} />
							</Form.Item>
							<Form.Item name={[name, 'mayMoveMinutes']} label="May move by">
								<DecimalInput suffix="min" step={5} placeholder={String(USUAL_MOVE_MINUTES)} />
							</Form.Item>
							<Button onClick={() => remove(name)} className="row-button">
								No break
							</Button>
						</div>
					))}
					{fields.length < MAX_BREAKS && (
						<Button
							type="link"
							onClick={() => {
								const session = form.getFieldValue(['sessions', position]) as Partial<Session>
								const middle = ((session.startMin ?? 0) + (session.endMin ?? 0)) / 2
								add({ startMin: Math.round(middle / 5) * 5, minutes: 10 })
							}}
						>
							Add a break
						</Button>
					)}
				</div>
			)}
		</Form.List>
	)
}
