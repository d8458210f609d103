/** What may be wider than its place scrolls in its own frame, by keyboard too. */
export function ScrollRegion({
	label,
	className = '',
	children,
}: {
	/** What is in it, for who cannot see it. */
	label: string
	className?: string
	children: React.ReactNode
}) {
	return (
		<div className={`scroll-x ${className}`} tabIndex={0} role="region" aria-label={label}>
			{children}
		</div>
	)
}
