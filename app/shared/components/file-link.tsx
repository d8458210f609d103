import { Button, type ButtonProps } from 'antd'
import { useMayOpen } from '../may/use-may'

/** A button that fetches a file: for whoever may only look on, too; not there for whom it is not open. */
export function FileLink({
	href,
	...rest
}: Omit<ButtonProps, 'href' | 'disabled'> & { href: string; download?: true }) {
	if (!useMayOpen(href)) return null
	return <Button href={href} disabled={false} {...rest} />
}
