import { Collapse } from 'antd'

/** What is seldom changed: closed until it is asked for, or until it says something already. */
export function More({
	label,
	isOpen = false,
	children,
}: {
	label: string
	isOpen?: boolean
	children: React.ReactNode
}) {
	return (
		<Collapse
			ghost
			className="more-fields"
			defaultActiveKey={isOpen ? 'more' : []}
			items={[{ key: 'more', label, children: <div className="stack more-stack">{children}</div> }]}
		/>
	)
}
