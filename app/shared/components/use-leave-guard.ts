import { useCallback, useEffect, useEffectEvent } from 'react'
import { useBeforeUnload, useBlocker } from 'react-router'
import { useAskBeforeLoss } from './use-ask-before-loss'

/** Asks before a page with unsaved changes is left, within the app or by closing the tab. */
export function useLeaveGuard(isGuarded: boolean): void {
	const ask = useAskBeforeLoss()
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
		const dialog = ask({
			title: 'Leave without saving?',
			content: 'What you changed on this page would be lost.',
			doIt: 'Leave',
			keep: 'Stay',
			onDo: () => proceed(),
			onKeep: () => stay(),
		})
		return () => dialog.destroy()
	}, [wayOut, ask])
}
