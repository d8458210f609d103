import { proxy, wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { RehearsalFigures } from '../../../../core/rehearse/rehearsal'
import { fetchProblem } from '../../../plan/solving/use-plan-search'
import type { PlayedCourse } from '../../read-rehearsal.server'
import type { Asked, CourseBasis, RehearsalWorker, TriedAdvice } from '../../rehearsal.worker'

interface Told {
	/** Of what it was asked. */
	of: object
	figures?: RehearsalFigures
	/** Undefined: nothing has been tried yet. */
	tried?: TriedAdvice
	hasFailed?: boolean
}

export interface AskedRehearsal extends Asked {
	courseId: number
	/** Of some classes, played before the page came. */
	first: RehearsalFigures
	people: Pick<PlayedCourse, 'owned' | 'levels' | 'speeds'>
	/** The plan is of the course as it is: so its changes can be tried. */
	isCurrent: boolean
}

/** Figures that sharpen while the page is open, and then what would help. */
export function useRehearsal(asked: AskedRehearsal) {
	const [told, setTold] = useState<Told>({ of: asked })
	useEffect(() => {
		const thread = new Worker(new URL('../../rehearsal.worker.ts', import.meta.url), { type: 'module' })
		const worker = wrap<RehearsalWorker>(thread)
		let isOver = false
		const hear = (news: Omit<Told, 'of'>) => {
			if (!isOver) setTold((before) => (before.of === asked ? { ...before, ...news } : { of: asked, ...news }))
		}
		const run = async () => {
			const { script, terms } = asked
			await worker.rehearse(
				{ script, terms },
				proxy((figures: RehearsalFigures) => hear({ figures })),
			)
			const basis = asked.isCurrent ? await fetchBasis(asked) : undefined
			await worker.advise(
				{ script, terms },
				basis,
				proxy((tried: TriedAdvice) => hear({ tried })),
			)
		}
		run().catch(() => hear({ hasFailed: true }))
		return () => {
			isOver = true
			thread.terminate()
		}
	}, [asked])
	const isCurrent = told.of === asked
	return {
		figures: (isCurrent ? told.figures : undefined) ?? asked.first,
		tried: isCurrent ? told.tried : undefined,
		hasFailed: isCurrent && told.hasFailed === true,
	}
}

async function fetchBasis({ courseId, people }: AskedRehearsal): Promise<CourseBasis | undefined> {
	const { course, plan, designs, terms } = await fetchProblem(courseId)
	return plan && { ...people, course, plan, designs, terms }
}
