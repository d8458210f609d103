import { useEffect, useState, useSyncExternalStore } from 'react'
import { TrialSession, type Standing, type TrialState } from './trial-session'

export interface Trial extends TrialState {
	session: TrialSession
}

/**
 * The course of a page under somebody's hands; a component that is kept for one course.
 *
 * @param selected - the step whose card is open
 */
export function useTrial(courseId: number, { course, version }: Standing, selected: string | null): Trial {
	const [session] = useState(() => new TrialSession(courseId, { course, version }))
	const state = useSyncExternalStore(session.subscribe, session.read, session.read)
	useEffect(() => {
		void session.recall()
		return () => session.close()
	}, [session])
	useEffect(() => session.meet({ course, version }), [session, course, version])
	useEffect(() => void session.select(selected), [session, selected])
	return { ...state, session }
}
