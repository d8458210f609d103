import { App } from 'antd'
import { useCallback } from 'react'

interface Loss {
	/** The question. */
	title: string
	/** What goes with it, and whether it can come back. */
	content: string
	/** The button that does it, and the one that does not. */
	doIt: string
	keep: string
	onDo: () => unknown
	onKeep?: () => void
}

/** Asks before something is lost; the focus is on keeping it. Always the same function. */
export function useAskBeforeLoss(): (loss: Loss) => { destroy: () => void } {
	const { modal } = App.useApp()
	return useCallback(
		({ title, content, doIt, keep, onDo, onKeep }) =>
			modal.confirm({
				title,
				content,
				okText: doIt,
				okButtonProps: { danger: true },
				cancelText: keep,
				autoFocusButton: 'cancel',
				onOk: onDo,
				...(onKeep && { onCancel: onKeep }),
			}),
		[modal],
	)
}
