import { DeleteOutlined } from '@ant-design/icons'
import { Button, InputNumber, Select } from 'antd'
import { COURSE_LIMITS } from '../../../../../core/course/validate-course'
import { giveKeys } from '../../../../../core/course/course-items'
import { USUAL_MOVE_MINUTES, type Session } from '../../../../../core/course/course'
import { DayInput } from '../../../../shared/components/fields/day-input'
import { TimeInput } from '../../../../shared/components/fields/time-input'
import { clock, sessionName } from '../../../../shared/words/times'
import type { PlanData } from '../load-plan.server'
import { useHands } from './hands-context'

/** What else of the course can be tried: people, pieces, options, room and sessions. Each change is answered by a plan. */
export function ChangePanel({ plan }: { plan: PlanData }) {
	const hands = useHands()
	if (!hands) return null
	const { course, edit } = hands
	const { students } = COURSE_LIMITS
	const [firstRoom] = plan.rooms
	return (
		<section className="sheet change-panel no-print" aria-label="Try changes">
			<label>
				Students
				<InputNumber
					min={students.min}
					max={students.max}
					value={course.studentCount}
					onChange={(count) => {
						if (count !== null && count !== course.studentCount) edit({ kind: 'students', count })
					}}
				/>
			</label>
			{plan.rooms.length > 1 && course.sessions.length > 1 && (
				<label>
					Room of all sessions
					<Select
						value={sharedRoom(course.sessions, firstRoom?.id)}
						placeholder="several"
						options={roomOptions(plan)}
						onChange={(roomId: number) => edit({ kind: 'room', roomId })}
					/>
				</label>
			)}
			{plan.items.map((item) => (
				<ItemFields key={item.key} item={item} />
			))}
			<ul className="change-sessions">
				{course.sessions.map((session, s) => (
					<SessionRow
						key={`${session.date} ${s}`}
						session={session}
						number={s + 1}
						isOnly={course.sessions.length === 1}
						rooms={plan.rooms.length > 1 ? roomOptions(plan) : []}
					/>
				))}
			</ul>
			<Button onClick={() => edit({ kind: 'add-session' })}>One more session</Button>
		</section>
	)
}

function roomOptions({ rooms }: PlanData): { value: number; label: string }[] {
	return rooms.map(({ id, name }) => ({ value: id, label: name }))
}

/** Null where they are in several. */
function sharedRoom(sessions: readonly Session[], usual: number | undefined): number | null {
	const rooms = new Set(sessions.map(({ roomId = usual }) => roomId))
	const [only] = rooms
	return rooms.size === 1 && only !== undefined ? only : null
}

function ItemFields({ item: { key, name, choices } }: { item: PlanData['items'][number] }) {
	const hands = useHands()
	const chosen = hands && giveKeys(hands.course.designs).find((one) => one.key === key)
	if (!hands || !chosen) return null
	const { flowersPerStudent } = COURSE_LIMITS
	return (
		<>
			<label>
				{name}, each
				<InputNumber
					min={flowersPerStudent.min}
					max={flowersPerStudent.max}
					value={chosen.flowersPerStudent}
					onChange={(count) => {
						if (count !== null && count !== chosen.flowersPerStudent) hands.edit({ kind: 'flowers', item: key, count })
					}}
				/>
			</label>
			{choices.map((choice) => (
				<label key={choice.id}>
					{choice.name}
					<Select
						value={chosen.picks[choice.id] ?? choice.options[0]?.id ?? null}
						options={choice.options.map((option) => ({ value: option.id, label: option.name }))}
						onChange={(option: string) => hands.edit({ kind: 'pick', item: key, choice: choice.id, option })}
					/>
				</label>
			))}
		</>
	)
}

interface SessionRowProps {
	session: Session
	number: number
	isOnly: boolean
	/** To choose from; none: there is no choice. */
	rooms: { value: number; label: string }[]
}

function SessionRow({ session, number, isOnly, rooms }: SessionRowProps) {
	const hands = useHands()
	if (!hands) return null
	const { edit } = hands
	const { startMin, endMin } = session
	const name = sessionName(startMin, number)
	return (
		<li>
			<b>{name}</b>
			<span aria-label={`Day of ${name.toLowerCase()}`} role="group">
				<DayInput value={session.date} onChange={(date) => edit({ kind: 'move-session', session: number, date })} />
			</span>
			<TimeInput
				aria-label={`Start of ${name.toLowerCase()}`}
				value={startMin}
				onChange={(to) => {
					if (to !== undefined) edit({ kind: 'hours', session: number, startMin: to, endMin })
				}}
			/>
			<TimeInput
				aria-label={`End of ${name.toLowerCase()}`}
				value={endMin}
				onChange={(to) => {
					if (to !== undefined) edit({ kind: 'hours', session: number, startMin, endMin: to })
				}}
			/>
			{rooms.length > 0 && (
				<Select
					aria-label={`Room of ${name.toLowerCase()}`}
					value={session.roomId ?? rooms[0]?.value ?? null}
					options={rooms}
					onChange={(roomId: number) => edit({ kind: 'room', roomId, session: number })}
				/>
			)}
			{session.breaks
				.filter(({ mayMoveMinutes }) => mayMoveMinutes === 0)
				.map((pause) => (
					<Button
						key={pause.startMin}
						size="small"
						onClick={() =>
							edit({
								kind: 'free-break',
								session: number,
								startMin: pause.startMin,
								mayMoveMinutes: USUAL_MOVE_MINUTES,
							})
						}
					>
						Let tea at {clock(pause.startMin)} move again
					</Button>
				))}
			{!isOnly && (
				<Button
					size="small"
					icon={<DeleteOutlined />}
					aria-label={`Without ${name.toLowerCase()}`}
					onClick={() => edit({ kind: 'drop-session', session: number })}
				/>
			)}
		</li>
	)
}
