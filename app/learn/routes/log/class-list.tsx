import { Button, Input } from 'antd'
import { useState } from 'react'
import { Form, Link } from 'react-router'
import { Disclosure } from '../../../shared/native/disclosure'
import { longDay } from '../../../shared/words/times'
import type { LoggedClass, LoggedOccasion } from '../../load-log.server'
import { foretoldWords, realWords } from '../../words/log'

/** So many are laid open to be looked at; the rest comes when it is asked for. */
const SHOWN = 12

/** Each class as it was: its steps with their real minutes, what was foretold, and a press that leaves one out. */
export function ClassList({ classes }: { classes: readonly LoggedClass[] }) {
	const [isWhole, setIsWhole] = useState(false)
	return (
		<section className="sheet stack" aria-labelledby="log-classes">
			<h2 id="log-classes">Classes</h2>
			{classes.slice(0, isWhole ? classes.length : SHOWN).map((own) => (
				<Disclosure key={own.key} head={headWords(own)}>
					<ul className="log-occasions">
						{own.occasions.map((occasion) => (
							<Occasion key={occasion.id} occasion={occasion} />
						))}
					</ul>
					{own.run && <Link to={`/courses/${own.run.courseId}/run/${own.run.session}`}>What was, on the tablet</Link>}
				</Disclosure>
			))}
			{!isWhole && classes.length > SHOWN && (
				<Button onClick={() => setIsWhole(true)}>{classes.length - SHOWN} earlier classes</Button>
			)}
		</section>
	)
}

function headWords({ name, occasions, isExample }: LoggedClass): string {
	const day = occasions[0] ? longDay(occasions[0].date) : ''
	return `${day}: ${name}${isExample ? ' (example)' : ''}`
}

function Occasion({ occasion }: { occasion: LoggedOccasion }) {
	const [isAsking, setIsAsking] = useState(false)
	const { id, stepName, leftOut } = occasion
	return (
		<li className={leftOut === null ? '' : 'is-left-out'}>
			<b>{stepName}</b>
			<span>{realWords(occasion)}</span>
			<span className="soft">{leftOut === null ? foretoldWords(occasion) : `left out: ${leftOut}`}</span>
			<Form method="post" className="row" onSubmit={() => setIsAsking(false)}>
				<input type="hidden" name="id" value={id} />
				{leftOut !== null && (
					<Button htmlType="submit" name="intent" value="take-in" size="small">
						Learn from it again
					</Button>
				)}
				{leftOut === null && !isAsking && (
					<Button size="small" type="text" onClick={() => setIsAsking(true)} aria-label={`Leave out ${stepName}`}>
						Leave out…
					</Button>
				)}
				{leftOut === null && isAsking && (
					<>
						<Input name="reason" aria-label="Why" placeholder="why" required maxLength={200} autoFocus />
						<Button htmlType="submit" name="intent" value="leave-out" size="small">
							Leave it out
						</Button>
					</>
				)}
			</Form>
		</li>
	)
}
