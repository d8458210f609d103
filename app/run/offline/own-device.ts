import { useEffect } from 'react'
import { forgetPages } from './kept-pages'

/** Under which a device remembers whose pages it keeps. */
const OWNER = 'calycine-studio'

/** The studio that has the device, from when its pages may be kept. */
let owner: { studioId: number; ready: Promise<void> } | undefined

/**
 * A device keeps pages of one studio: who signs in from another one, without anybody having signed out, finds none of hers.
 * What of a class was not sent yet waits, unseen, until its studio is back.
 */
export function ownDevice(studioId: number): Promise<void> {
	if (owner?.studioId !== studioId) owner = { studioId, ready: takeOver(studioId) }
	return owner.ready
}

async function takeOver(studioId: number): Promise<void> {
	try {
		if (localStorage.getItem(OWNER) === String(studioId)) return
		if ('caches' in globalThis) await forgetPages()
		localStorage.setItem(OWNER, String(studioId))
	} catch {
		// The browser keeps nothing here, and so has nothing to forget.
	}
}

/** From the first page on. */
export function useOwnDevice(studioId: number): void {
	useEffect(() => void ownDevice(studioId), [studioId])
}
