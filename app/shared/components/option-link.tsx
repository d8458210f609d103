import { Link } from 'react-router'

/** One of a few views that the address tells apart: marked where it is the one in view. */
export function OptionLink({ to, isCurrent, children }: { to: string; isCurrent: boolean; children: React.ReactNode }) {
	return (
		<Link className="option-link" to={to} replace preventScrollReset aria-current={isCurrent ? 'true' : undefined}>
			{children}
		</Link>
	)
}
