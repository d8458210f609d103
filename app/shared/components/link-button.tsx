import { Button, type ButtonProps } from 'antd'
import { useHref, useLinkClickHandler } from 'react-router'

interface LinkButtonProps extends Omit<ButtonProps, 'href' | 'onClick' | 'htmlType'> {
	/** Inside the app; files are plain buttons with an `href`. */
	to: string
	replace?: boolean
	preventScrollReset?: boolean
}

/** A link that looks like what it weighs: it leads on, and works before and without scripts. */
export function LinkButton({ to, replace = false, preventScrollReset = false, ...rest }: LinkButtonProps) {
	const follow = useLinkClickHandler<HTMLAnchorElement>(to, { replace, preventScrollReset })
	return (
		<Button href={useHref(to)} onClick={(event) => follow(event as React.MouseEvent<HTMLAnchorElement>)} {...rest} />
	)
}
