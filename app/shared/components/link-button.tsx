import { Button, type ButtonProps } from 'antd'
import { useMayOpen } from '../may/use-may'
import { useHref, useLinkClickHandler } from 'react-router'

interface LinkButtonProps extends Omit<ButtonProps, 'href' | 'onClick' | 'htmlType'> {
	/** Inside the app; files are plain buttons with an `href`. */
	to: string
	replace?: boolean
	preventScrollReset?: boolean
}

/** A link that looks like what it weighs: it leads on, and works before and without scripts; not there where it leads to what is not open. */
export function LinkButton({ to, replace = false, preventScrollReset = false, ...rest }: LinkButtonProps) {
	const isOpen = useMayOpen(to)
	const follow = useLinkClickHandler<HTMLAnchorElement>(to, { replace, preventScrollReset })
	const href = useHref(to)
	if (!isOpen) return null
	return (
		<Button
			disabled={false}
			href={href}
			onClick={(event) => follow(event as React.MouseEvent<HTMLAnchorElement>)}
			{...rest}
		/>
	)
}
