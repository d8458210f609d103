import { Link, useSearchParams } from 'react-router'
import { withTerms } from '../address'

/** From page to page of a long list; nothing where there is one page. */
export function PageLinks({ page, pageCount }: { page: number; pageCount: number }) {
	const [search] = useSearchParams()
	if (pageCount === 1) return null
	const linkTo = (to: number) => `?${withTerms(search, { page: String(to) })}`
	return (
		<nav className="row pages no-print" aria-label="Pages">
			{page > 1 && <Link to={linkTo(page - 1)}>Before</Link>}
			<span className="soft">
				Page {page} of {pageCount}
			</span>
			{page < pageCount && <Link to={linkTo(page + 1)}>After</Link>}
		</nav>
	)
}
