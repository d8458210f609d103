import './disclosure.css'

/**
 * More to read, for who wants it. The browser's own element, since it opens without scripts, is found by the browser's
 * search, and can be set open by the server.
 */
export function Disclosure({
	head,
	isOpen = false,
	className = '',
	children,
}: {
	head: React.ReactNode
	isOpen?: boolean
	className?: string
	children: React.ReactNode
}) {
	return (
		<details className={`disclosure ${className}`} open={isOpen}>
			<summary>{head}</summary>
			{children}
		</details>
	)
}
