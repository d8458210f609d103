import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { Disclosure } from '../../../shared/native/disclosure'
import { longDay } from '../../../shared/words/times'
import type { LoggedClass } from '../../load-log.server'
import { sourceWords } from '../../words/log'
import { OccasionRow } from './occasion-row'

/** So many are laid open to be looked at; the rest comes when it is asked for. */
const SHOWN = 12

/** Each class as it was: its steps with their real minutes, what was foretold, and presses that correct one or leave it out. */
export function ClassList({ classes }: { classes: readonly LoggedClass[] }) {
	const [isWhole, setIsWhole] = useState(false)
	return (
		<section className="sheet stack" aria-labelledby="log-classes">
			<h2 id="log-classes">Classes</h2>
			{classes.slice(0, isWhole ? classes.length : SHOWN).map((own) => (
				<Disclosure key={own.key} head={`${longDay(own.date)}: ${own.name}${sourceWords(own)}`}>
					<ul className="log-occasions">
						{own.occasions.map((occasion) => (
							<OccasionRow key={occasion.id} occasion={occasion} />
						))}
					</ul>
					<LookUp {...own} />
				</Disclosure>
			))}
			{!isWhole && classes.length > SHOWN && (
				<Button onClick={() => setIsWhole(true)}>{classes.length - SHOWN} earlier classes</Button>
			)}
		</section>
	)
}

/** Where it was taught, or told. */
function LookUp({ source, run }: LoggedClass) {
	if (!run) return null
	return source === 'run' ? (
		<Link to={`/courses/${run.courseId}/run/${run.session}`}>What was, on the tablet</Link>
	) : (
		<Link to={`/courses/${run.courseId}/told/${run.session}`}>What was told of it</Link>
	)
}
