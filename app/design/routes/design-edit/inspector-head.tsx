/** Title of what is chosen, and what can be done with it as a whole. */
export function InspectorHead({
	title,
	actions,
}: {
	title: string
	actions: readonly { label: string; isDisabled?: boolean; onAct: () => void }[]
}) {
	return (
		<div className="row">
			<h2>{title}</h2>
			<div className="row push">
				{actions.map(({ label, isDisabled = false, onAct }) => (
					<button key={label} type="button" className="text-button" disabled={isDisabled} onClick={onAct}>
						{label}
					</button>
				))}
			</div>
		</div>
	)
}
