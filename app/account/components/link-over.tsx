import { Link } from 'react-router'
import { LonePage } from './lone-form'

/** A link that opens nothing any more. */
export function LinkOver({ wayOn }: { wayOn: React.ReactNode }) {
	return (
		<LonePage head="This link is over">
			<p>It works once, and not for ever: it was used already, its time is over, or a newer one was made.</p>
			<p>{wayOn}</p>
			<p>
				<Link to="/sign-in">To the sign-in</Link>
			</p>
		</LonePage>
	)
}
