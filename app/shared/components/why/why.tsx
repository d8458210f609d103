import { Button, Popover } from 'antd'
import './why.css'

/** A number that tells where it comes from when it is asked; on paper, and without scripts, the answer stands below it. */
export function Why({ children, reasons }: { children: React.ReactNode; reasons: readonly string[] }) {
	if (reasons.length === 0) return <b>{children}</b>
	return (
		<>
			<Popover trigger="click" content={<Reasons reasons={reasons} />}>
				<Button type="link" size="small" className="why" title="Why?">
					{children}
				</Button>
			</Popover>
			<span className="why-note">{reasons.join('; ')}</span>
			<noscript>
				<Reasons reasons={reasons} />
			</noscript>
		</>
	)
}

function Reasons({ reasons }: { reasons: readonly string[] }) {
	return (
		<ul className="why-reasons">
			{reasons.map((line) => (
				<li key={line}>{line}</li>
			))}
		</ul>
	)
}
