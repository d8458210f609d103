import { Button, Radio, Slider } from 'antd'
import {
	roomAt,
	tellSession,
	type Moment,
	type RoomMoment,
	type WatchedSession,
} from '../../../../core/rehearse/watched-class'
import { Disclosure } from '../../../shared/native/disclosure'
import { clock } from '../../../shared/words/times'
import type { PlayedCourse } from '../../read-rehearsal.server'
import { doingWords, itemWords, toldWords } from '../../words/doings'
import { SPEEDS, useFilm, usePrefersStill, type Speed } from './use-film'

interface WatchedRoomProps {
	watched: WatchedSession
	/** From 1. */
	session: number
	played: PlayedCourse
}

/** The room from above with a clock that runs, and the same as a list of moments. */
export function WatchedRoom({ watched, session, played }: WatchedRoomProps) {
	const { open, close, presentCount, doneCount } = watched
	const film = useFilm(open, close)
	const isStill = usePrefersStill()
	const openMin = played.sessions[session - 1]?.openMin ?? 0
	const wall = (moment: number) => clock(Math.floor(moment - open + openMin))
	const { students, stopped } = roomAt(watched, film.time)
	return (
		<>
			<div className="film-controls no-print">
				<strong className="film-clock">{wall(film.time)}</strong>
				<Button type="primary" onClick={film.toggle}>
					{film.isRunning ? 'Stop the clock' : film.time >= close ? 'From the start' : 'Let it run'}
				</Button>
				<Radio.Group
					aria-label="How fast"
					optionType="button"
					value={film.speed}
					onChange={({ target }) => film.setSpeed(target.value as Speed)}
					options={SPEEDS.map((value) => ({ value, label: `${60 * value}×` }))}
				/>
				<Slider
					className="film-slider"
					min={open}
					max={close}
					step={1}
					value={film.time}
					onChange={film.seek}
					tooltip={{ formatter: null }}
					ariaLabelForHandle="The clock"
					ariaValueTextFormatterForHandle={(value) => wall(value)}
				/>
			</div>
			{!isStill && <Room students={students} stopped={stopped} time={film.time} played={played} />}
			<p>
				{doneCount} of the {presentCount} who are there are done when clearing away begins.
			</p>
			<Disclosure head="Moment by moment" isOpen={isStill}>
				<ol className="film-moments">
					{tellSession(watched).map((told, t) => (
						<li key={t}>
							<b>{wall(told.time)}</b> {toldWords(told, played)}
						</li>
					))}
				</ol>
			</Disclosure>
		</>
	)
}

interface RoomProps {
	students: readonly Moment[]
	stopped: RoomMoment | undefined
	time: number
	played: PlayedCourse
}

function Room({ students, stopped, time, played }: RoomProps) {
	return (
		<div className="film-room">
			<p className={stopped ? 'film-table is-busy' : 'film-table'}>
				{stopped?.kind === 'shows' ? 'Something is shown' : stopped ? 'Tea' : 'Your table'}
			</p>
			<ol className="film-places" aria-label="The places">
				{students.map(({ student, doing, item, tool, time: since }) => (
					<li key={student} className={`film-place is-${stopped && doing !== 'away' ? 'stopped' : doing}`}>
						<b>{student + 1}</b>
						<span>{itemWords(item, played) || 'all done'}</span>
						<span className="small">
							{stopped && doing !== 'away'
								? stopped.kind === 'shows'
									? 'looks'
									: 'tea'
								: doingWords(doing, tool, played)}
							{doing !== 'working' && doing !== 'away' && !stopped && ` ${Math.floor(time - since)} min`}
						</span>
					</li>
				))}
			</ol>
		</div>
	)
}
