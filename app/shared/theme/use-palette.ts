import { useSyncExternalStore } from 'react'
import { PALETTES, type Palette } from './theme'

type Light = keyof typeof PALETTES

/** The colours of this moment's light, for what is drawn on a canvas; styles take the CSS variables. Paper is day. */
export function usePalette(): Palette {
	return PALETTES[useSyncExternalStore(watchLight, readLight, () => 'day' as const)]
}

function readLight(): Light {
	if (matchMedia('print').matches) return 'day'
	const { light } = document.documentElement.dataset
	if (light !== undefined) return light === 'night' ? 'night' : 'day'
	return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day'
}

function watchLight(onChange: () => void): () => void {
	const queries = [matchMedia('(prefers-color-scheme: dark)'), matchMedia('print')]
	for (const query of queries) query.addEventListener('change', onChange)
	const observer = new MutationObserver(onChange)
	observer.observe(document.documentElement, { attributeFilter: ['data-light'] })
	return () => {
		for (const query of queries) query.removeEventListener('change', onChange)
		observer.disconnect()
	}
}
