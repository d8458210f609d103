import { Button } from 'antd'

/** What can be done with what is chosen as a whole. */
export function InspectorHead({
	title,
	actions,
}: {
	/** For who cannot see the tab above. */
	title: string
	actions: readonly { label: string; isDisabled?: boolean; onAct: () => void }[]
}) {
	return (
		<div className="inspector-head" role="group" aria-label={title}>
			{actions.map(({ label, isDisabled = false, onAct }) => (
				<Button type="link" size="small" key={label} disabled={isDisabled} onClick={onAct}>
					{label}
				</Button>
			))}
		</div>
	)
}
