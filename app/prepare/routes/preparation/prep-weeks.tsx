import {
	DndContext,
	KeyboardSensor,
	PointerSensor,
	useDraggable,
	useDroppable,
	useSensor,
	useSensors,
	type DragEndEvent,
	type KeyboardCoordinateGetter,
} from '@dnd-kit/core'
import { Link, useFetcher } from 'react-router'
import { clock, duration, longDay } from '../../../shared/words/times'
import type { CalendarData, CalendarDay, CalendarWeek, WorkItem } from './calendar-view'

/** A press that moves so little is a press. */
const DRAG_PX = 6

/** Weeks under one another: what dries as bars through the days, sessions, and work that is dragged from day to day. */
export function PrepWeeks({ weeks, data }: { weeks: readonly CalendarWeek[]; data: CalendarData }) {
	const fetcher = useFetcher<{ refused?: boolean; message?: string }>()
	const sensors = useSensors(
		useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PX } }),
		useSensor(KeyboardSensor, { coordinateGetter: byDays }),
	)
	const lay = ({ active, over }: DragEndEvent) => {
		const item = weeks
			.flatMap(({ days }) => days.flatMap(({ work }) => work))
			.find(({ taskId }) => taskId === active.id)
		if (!item || !over || over.id === item.start.date) return
		const { taskId, courseId } = item
		void fetcher.submit(
			{ intent: 'settle', taskId, courseId: String(courseId), day: String(over.id) },
			{ method: 'post' },
		)
	}
	return (
		<>
			{fetcher.data?.refused && (
				<p className="alert" role="alert">
					{fetcher.data.message}
				</p>
			)}
			<DndContext
				id="preparation"
				sensors={sensors}
				onDragEnd={lay}
				accessibility={{
					screenReaderInstructions: {
						draggable: 'Space takes it up, arrows move it from day to day, Space lays it down, Escape leaves it.',
					},
				}}
			>
				<div className="prep-weeks">
					{weeks.map((week) => (
						<Week key={week.days[0]?.date} week={week} data={data} />
					))}
				</div>
			</DndContext>
		</>
	)
}

/** A day to the side with an arrow, a week up or down. */
const byDays: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
	const cell = [...context.droppableRects.values()][0]
	if (!cell) return undefined
	const { x, y } = currentCoordinates
	switch (event.code) {
		case 'ArrowRight':
			return { x: x + cell.width, y }
		case 'ArrowLeft':
			return { x: x - cell.width, y }
		case 'ArrowDown':
			return { x, y: y + cell.height }
		case 'ArrowUp':
			return { x, y: y - cell.height }
		default:
			return undefined
	}
}

function Week({ week: { days, bars }, data }: { week: CalendarWeek; data: CalendarData }) {
	return (
		<section className="prep-week" aria-label={`Week of ${longDay(days[0]?.date ?? data.date)}`}>
			{bars.length > 0 && (
				<ul className="prep-bars" aria-label="Drying">
					{bars.map(({ key, words, fromColumn, toColumn, readyColumn }) => (
						<li key={key} style={{ gridColumn: `${fromColumn + 1} / ${toColumn + 2}` }}>
							<span
								className="prep-bar"
								style={
									readyColumn === undefined
										? undefined
										: readyAt((readyColumn - fromColumn + 1) / (toColumn - fromColumn + 1))
								}
							>
								{words}
							</span>
						</li>
					))}
				</ul>
			)}
			<ol className="prep-cells">
				{days.map((day) => (
					<Day key={day.date} day={day} data={data} />
				))}
			</ol>
		</section>
	)
}

/** From where on the bar is dry, as a share of its length. */
function readyAt(share: number): React.CSSProperties {
	return { '--ready': `${100 * share}%` } as React.CSSProperties
}

function Day({ day: { date, sessions, work }, data }: { day: CalendarDay; data: CalendarData }) {
	const { setNodeRef, isOver } = useDroppable({ id: date })
	const classes = ['prep-cell', date === data.date && 'is-today', date < data.date && 'is-past', isOver && 'is-over']
	const isOther = data.view === 'month' && date.slice(0, 7) !== data.from.slice(0, 7)
	return (
		<li ref={setNodeRef} className={[...classes, isOther && 'is-other'].filter(Boolean).join(' ')}>
			<h2>
				<span aria-hidden>
					{longDay(date)
						.split(' ')
						.slice(0, 2)
						.join(' ')
						.replace(/^(\w{3})\w*/, '$1')}
				</span>
				<span className="hidden-words">{longDay(date)}</span>
			</h2>
			{sessions.map(({ courseId, words, time }) => (
				<Link key={words} className="prep-session" to={`/courses/${courseId}/plan`}>
					<strong>{time}</strong> {words}
				</Link>
			))}
			{work.map((item) => (
				<Chip key={item.taskId} item={item} courseName={data.courses[item.courseId] ?? ''} />
			))}
		</li>
	)
}

function Chip({
	courseName,
	item: { taskId, words, minutes, start, isDone, isLate, isSettled },
}: {
	courseName: string
	item: WorkItem
}) {
	const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: taskId, disabled: isDone })
	const classes = [
		'prep-chip',
		isDone && 'is-done',
		isLate && 'is-late',
		isSettled && 'is-settled',
		isDragging && 'is-held',
	]
	return (
		<div
			ref={setNodeRef}
			className={classes.filter(Boolean).join(' ')}
			style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
			{...listeners}
			{...attributes}
			aria-label={`${words}, ${courseName}, ${clock(start.minuteOfDay)}, ${duration(minutes)}${isDone ? ', done' : ''}${isLate ? ', too late' : ''}${isSettled ? ', settled on this day' : ''}`}
		>
			<span className="prep-time">{clock(start.minuteOfDay)}</span> {words}
			{isLate && <span className="prep-late"> too late</span>}
			<span className="prep-course">{courseName}</span>
		</div>
	)
}
