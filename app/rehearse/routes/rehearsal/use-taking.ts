import { useState } from 'react'
import { useFetcher } from 'react-router'
import type { PlayedCourse } from '../../read-rehearsal.server'

export interface Taking {
	/** @param fields - of an action of the plan's page, with its intent; words say what it does */
	take: (words: string, fields: Record<string, string>) => void
	takeBack: () => void
	/** What was taken last. */
	words: string | undefined
	/** Another plan stands by now, and the one before can be brought back. */
	mayBeTakenBack: boolean
	isBusy: boolean
	/** Why it could not be taken. */
	refusal: string | undefined
}

/** Changes of the course taken from its rehearsal, and taken back by bringing back the plan that stood before. */
export function useTaking(courseId: number, { planId, version }: PlayedCourse): Taking {
	const [taken, setTaken] = useState<{ words: string; planId: number }>()
	const fetcher = useFetcher<{ message?: string }>()
	const send = (fields: Record<string, string>) =>
		void fetcher.submit(
			{ ...fields, version: String(version) },
			{ method: 'post', action: `/courses/${courseId}/plan?stay` },
		)
	const isBusy = fetcher.state !== 'idle'
	return {
		take: (words, fields) => {
			setTaken({ words, planId })
			send(fields)
		},
		takeBack: () => {
			if (!taken) return
			setTaken(undefined)
			send({ intent: 'bring-back', planId: String(taken.planId) })
		},
		words: taken?.words,
		mayBeTakenBack: taken !== undefined && !isBusy && taken.planId !== planId,
		isBusy,
		refusal: fetcher.data?.message,
	}
}
