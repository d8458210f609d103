import { useEffect, useState } from 'react'
import { makeReady, type Readiness } from './ready-for-class'

interface ReadyFor {
	studioId: number
	courseId: number
	session: number
}

/** What this device has of what it needs for a session; undefined: it is being made ready. In development: nothing is asked. */
export function useReady({ studioId, courseId, session }: ReadyFor): Readiness | undefined {
	const [readiness, setReadiness] = useState<Readiness>()
	useEffect(() => {
		// The development server has no worker to offer.
		if (!import.meta.env.PROD) return
		let isOver = false
		void makeReady(studioId, courseId, session).then((found) => {
			if (!isOver) setReadiness(found)
		})
		return () => {
			isOver = true
		}
	}, [studioId, courseId, session])
	return readiness
}
