/** The name of the product with its mark, a calyx under three petals. */
export function Wordmark({ size = 24 }: { size?: number }) {
	return (
		<span className="wordmark" style={{ fontSize: size }}>
			<svg viewBox="2 1 28 29" width={size * 1.1} height={size * 1.15} aria-hidden="true">
				<path d="M16 29c-1-4-1-7 0-10" stroke="#3E6B52" strokeWidth="2.4" fill="none" strokeLinecap="round" />
				<path
					d="M16 20C9 20 5 15 5 8c4 1 6 3 7.5 6C12.5 10 14 6 16 3c2 3 3.5 7 3.5 11C21 11 23 9 27 8c0 7-4 12-11 12z"
					fill="#7B3B5E"
				/>
				<path d="M16 20c-3 0-5-1-7-3 3 .2 5-.3 7-2 2 1.700 4 2.200 7 2-2 2-4 3-7 3z" fill="#3E6B52" />
			</svg>
			calycine
		</span>
	)
}
