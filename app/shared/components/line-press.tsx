import { Button } from 'antd'
import { Form } from 'react-router'

/** A small press that does one thing to one line of a list: a form of its own, which works without scripts. */
export function LinePress({
	intent,
	fields,
	label,
	action,
	children,
}: {
	intent: string
	/** What it is of. */
	fields: Readonly<Record<string, string | number>>
	/** For who cannot see the line. */
	label: string
	/** Absent: of the page. */
	action?: string
	children: React.ReactNode
}) {
	return (
		<Form method="post" preventScrollReset {...(action !== undefined && { action })}>
			{Object.entries(fields).map(([name, value]) => (
				<input key={name} type="hidden" name={name} value={value} />
			))}
			<Button type="link" size="small" htmlType="submit" name="intent" value={intent} aria-label={label}>
				{children}
			</Button>
		</Form>
	)
}
