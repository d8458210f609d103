/** The way through getting ready: kits, cutting, colours, tools, people, shopping, cost and papers. */
import { NavLink, Outlet, useParams } from 'react-router'
import { mayRead } from '../../../shared/may/may'
import { useRole } from '../../../shared/may/use-may'
import './course-prepare.css'

const PAGES = [
	{ path: 'kits', label: 'Kits' },
	{ path: 'kits/packing', label: 'Packing' },
	{ path: 'kits/cutting', label: 'Wires and sheets' },
	{ path: 'kits/colours', label: 'Colours' },
	{ path: 'kits/tools', label: 'Tools' },
	{ path: 'kits/people', label: 'People' },
	{ path: 'kits/shopping', label: 'Shopping' },
	{ path: 'kits/cost', label: 'Cost' },
	{ path: 'kits/papers', label: 'Papers' },
]

/** The pages of preparing beside each other, above each of them. */
export default function CoursePrepareFrame() {
	const { courseId } = useParams()
	const role = useRole()
	const open = PAGES.filter(({ path }) => mayRead(role, `/courses/${courseId}/${path}`))
	return (
		<>
			<nav className="prepare-nav no-print" aria-label="Getting ready">
				{open.map(({ path, label }) => (
					<NavLink key={path} to={`/courses/${courseId}/${path}`} end prefetch="intent">
						{label}
					</NavLink>
				))}
			</nav>
			<Outlet />
		</>
	)
}
