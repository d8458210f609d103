/** The sessions of a course as they are taught: which to open, which is going on, which is over. */
import { useState } from 'react'
import { Link } from 'react-router'
import { FileButton } from '../../../shared/components/file-button'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { clock, count, longDay, sessionName } from '../../../shared/words/times'
import { readSavedClass, takeInSaved } from '../../offline/saved-class'
import { listRunStates } from '../../../../db/repositories/runs.server'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { id, sessions } = await courseOfPage(context, params)
		const states = await listRunStates(studio.id, id)
		return {
			courseId: id,
			sessions: sessions.map(({ date, startMin, endMin }, s) => {
				return { number: s + 1, date, startMin, endMin, state: states[s + 1] ?? ('to come' as const) }
			}),
		}
	})
}

/** What somebody saved as a file when she signed out without a network. */
function SavedClass() {
	const [told, setTold] = useState<{ words: string; isTrouble: boolean }>()
	const takeIn = async (file: File) => {
		setTold(undefined)
		const saved = await file
			.text()
			.then(readSavedClass)
			.catch(() => undefined)
		if (!saved) {
			setTold({ words: 'This is no file of a class as Calycine saves it.', isTrouble: true })
			return
		}
		try {
			const presses = await takeInSaved(saved)
			setTold({ words: `Taken in: ${count(presses, 'press', 'presses')} of a class.`, isTrouble: false })
		} catch {
			setTold({
				words: 'Not all of it could be taken in: no network, or a course that this studio does not have.',
				isTrouble: true,
			})
		}
	}
	return (
		<div className="row">
			<FileButton
				label="A class saved as a file…"
				accept="application/json,.json"
				onFile={(file) => void takeIn(file)}
			/>
			<span className="soft small">What was saved when somebody signed out without a network.</span>
			{told && (
				<p role={told.isTrouble ? 'alert' : 'status'} className={told.isTrouble ? 'alert' : 'told'}>
					{told.words}
				</p>
			)}
		</div>
	)
}

const PRESS = { 'to come': 'Open', 'going on': 'Go on', over: 'What was' } as const

export default function CourseRunsPage({ loaderData: { courseId, sessions } }: Route.ComponentProps) {
	return (
		<section className="sheet" aria-labelledby="teach">
			<h2 id="teach">Teach</h2>
			<p className="soft">
				On the tablet one press carries the evening: “most are done”. The wall is for a second screen that students
				read; it follows by itself, and shows neither names nor how late it is.
			</p>
			<ul className="plain-list">
				{sessions.map(({ number, date, startMin, endMin, state }) => (
					<li key={number} className="row">
						<b>{sessionName(startMin, number)}</b>
						<span className="soft">
							{longDay(date)}, {clock(startMin)} to {clock(endMin)}
							{state !== 'to come' && `: ${state}`}
						</span>
						<LinkButton to={`/courses/${courseId}/run/${number}`} type={state === 'over' ? 'default' : 'primary'}>
							{PRESS[state]}
						</LinkButton>
						<LinkButton to={`/courses/${courseId}/run/${number}/wall`}>Wall</LinkButton>
						{state !== 'going on' && <Link to={`/courses/${courseId}/told/${number}`}>Tell by hand</Link>}
					</li>
				))}
			</ul>
			<SavedClass />
		</section>
	)
}
