import { App } from 'antd'
import { useCallback, useEffect, useEffectEvent } from 'react'
import { useBeforeUnload, useBlocker } from 'react-router'

/** Asks before a page with unsaved changes is left, within the app or by closing the tab. */
export function useLeaveGuard(isGuarded: boolean): void {
	const { modal } = App.useApp()
	const blocker = useBlocker(
		({ currentLocation, nextLocation }) => isGuarded && currentLocation.pathname !== nextLocation.pathname,
	)
	useBeforeUnload(
		useCallback(
			(event) => {
				if (isGuarded) event.preventDefault()
			},
			[isGuarded],
		),
	)
	// The blocker is another object after every answer of the server, and there must be one dialog of it, not one each.
	const proceed = useEffectEvent(() => blocker.proceed?.())
	const stay = useEffectEvent(() => blocker.reset?.())
	// Who stays and leaves again at once may be blocked anew before the first answer is drawn: that is another way out.
	const wayOut = blocker.state === 'blocked' ? blocker.location.key : undefined
	useEffect(() => {
		if (wayOut === undefined) return
		const dialog = modal.confirm({
			title: 'Leave without saving?',
			content: 'What you changed on this page would be lost.',
			okText: 'Leave',
			okButtonProps: { danger: true },
			cancelText: 'Stay',
			autoFocusButton: 'cancel',
			onOk: () => proceed(),
			onCancel: () => stay(),
		})
		return () => dialog.destroy()
	}, [wayOut, modal])
}
