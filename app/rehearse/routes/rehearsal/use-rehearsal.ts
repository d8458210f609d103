import { proxy, wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { Advice } from '../../../../core/rehearse/advice'
import type { RehearsalFigures } from '../../../../core/rehearse/rehearsal'
import type { RehearsalTerms, Script } from '../../../../core/rehearse/script'
import type { RehearsalWorker } from '../../rehearsal.worker'

interface Told {
	/** Of what it was asked. */
	of: object
	figures?: RehearsalFigures
	/** Undefined: it is still being tried. */
	advice?: Advice[]
}

/**
 * Figures that sharpen while the page is open, and then what would help.
 *
 * @param first - of some classes, played before the page came; the script and the terms with which they were
 */
export function useRehearsal(asked: { script: Script; terms: RehearsalTerms; first: RehearsalFigures }) {
	const [told, setTold] = useState<Told>({ of: asked })
	useEffect(() => {
		const thread = new Worker(new URL('../../rehearsal.worker.ts', import.meta.url), { type: 'module' })
		const { rehearse } = wrap<RehearsalWorker>(thread)
		const hear = proxy((news: Pick<Told, 'figures' | 'advice'>) =>
			setTold((before) => (before.of === asked ? { ...before, ...news } : { of: asked, ...news })),
		)
		void rehearse(asked.script, asked.terms, hear)
		return () => thread.terminate()
	}, [asked])
	const isCurrent = told.of === asked
	return { figures: (isCurrent ? told.figures : undefined) ?? asked.first, advice: isCurrent ? told.advice : undefined }
}
