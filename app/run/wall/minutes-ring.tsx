const RADIUS = 44
const AROUND = 2 * Math.PI * RADIUS

/** Minutes left as a ring that goes out; never less than none. */
export function MinutesRing({ left, of }: { left: number; of: number }) {
	const whole = Math.max(0, Math.ceil(left))
	const share = Math.max(0, Math.min(1, left / Math.max(1, of)))
	return (
		<svg viewBox="0 0 100 100" className="wall-ring" role="img" aria-label={`${whole} minutes left`}>
			<circle cx="50" cy="50" r={RADIUS} className="ring-whole" />
			<circle
				cx="50"
				cy="50"
				r={RADIUS}
				className="ring-left"
				strokeDasharray={`${(share * AROUND).toFixed(2)} ${AROUND.toFixed(2)}`}
				transform="rotate(-90 50 50)"
			/>
			<text x="50" y="61" textAnchor="middle">
				{whole}
			</text>
		</svg>
	)
}
