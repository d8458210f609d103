import { useEffect, useState } from 'react'
import { makeReady, type Readiness } from './ready-for-class'

/** What this device has of what it needs for a session; undefined: it is being made ready. In development: nothing is asked. */
export function useReady(courseId: number, session: number): Readiness | undefined {
	const [readiness, setReadiness] = useState<Readiness>()
	useEffect(() => {
		// The development server has no worker to offer.
		if (!import.meta.env.PROD) return
		let isOver = false
		void makeReady(courseId, session).then((found) => {
			if (!isOver) setReadiness(found)
		})
		return () => {
			isOver = true
		}
	}, [courseId, session])
	return readiness
}
