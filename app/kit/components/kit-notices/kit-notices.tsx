import { Link } from 'react-router'
import { LinkButton } from '../../../shared/components/link-button'

interface KitNoticesProps {
	state: { courseId: number; hasPlan: boolean; isOutdated: boolean; shortfallMinutes: number }
	/** The page, shown only where there is a plan. */
	children: React.ReactNode
}

/** What holds of every page of the kits: whether there is a plan to pack for, and whether it still stands. */
export function KitNotices({ state, children }: KitNoticesProps) {
	const plan = `/courses/${state.courseId}/plan`
	if (!state.hasPlan) {
		return (
			<section className="sheet empty">
				<h2>No plan, so no kits yet</h2>
				<LinkButton to={plan}>See what keeps it from fitting</LinkButton>
			</section>
		)
	}
	return (
		<div className="stack">
			{state.isOutdated && (
				<p className="alert">
					The plan is older than the course. <Link to={plan}>Look at the plan</Link>
				</p>
			)}
			{state.shortfallMinutes > 0 && (
				<p className="alert">
					The course does not fit yet; these kits are for all of its steps. <Link to={plan}>See what would help</Link>
				</p>
			)}
			{children}
		</div>
	)
}
