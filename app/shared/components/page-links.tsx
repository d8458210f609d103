import { Link, useSearchParams } from 'react-router'

/** From page to page of a long list; nothing where there is one page. */
export function PageLinks({ page, pageCount }: { page: number; pageCount: number }) {
	const [search] = useSearchParams()
	if (pageCount === 1) return null
	const linkTo = (to: number) => {
		const next = new URLSearchParams(search)
		next.set('page', String(to))
		return `?${next}`
	}
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
