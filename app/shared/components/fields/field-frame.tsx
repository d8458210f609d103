import './fields.css'

/** A label above its control, and below it what is wrong. */
export function FieldFrame({
	id,
	label,
	problem,
	className = '',
	children,
}: {
	/** Of the control; its problem has this and `-problem`. */
	id: string
	label: React.ReactNode
	problem?: string | undefined
	className?: string
	children: React.ReactNode
}) {
	return (
		<div className={`field ${className}`}>
			<label htmlFor={id}>{label}</label>
			{children}
			{problem !== undefined && (
				<p id={`${id}-problem`} className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}

/** What tells a reader of screens, and the eye, that the control has a problem. */
export function problemProps(id: string, problem: string | undefined) {
	if (problem === undefined) return {}
	return { status: 'error' as const, 'aria-invalid': true, 'aria-describedby': `${id}-problem` }
}
