import { useEffect, useEffectEvent } from 'react'

/** Ctrl or Cmd with Z, Shift+Z or Y, and S, wherever the focus is. */
export function useEditorKeys({
	onUndo,
	onRedo,
	onSave,
}: {
	onUndo: () => void
	onRedo: () => void
	onSave: () => void
}): void {
	const press = useEffectEvent((event: KeyboardEvent) => {
		if (!(event.ctrlKey || event.metaKey)) return
		const key = event.key.toLowerCase()
		const act =
			key === 's' ? onSave : key === 'y' || (key === 'z' && event.shiftKey) ? onRedo : key === 'z' ? onUndo : undefined
		if (!act) return
		event.preventDefault()
		act()
	})
	useEffect(() => {
		const listen = (event: KeyboardEvent) => press(event)
		window.addEventListener('keydown', listen)
		return () => window.removeEventListener('keydown', listen)
	}, [])
}
