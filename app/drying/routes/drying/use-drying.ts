/** A question that changes as she drags, answered in a worker; the address follows, so that a link leads back. */
import { wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ValidationError } from 'yup'
import type { FieldProblem } from '../../../../core/errors'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import { problemsByField } from '../../../shared/http/refusal'
import { dryingSchema, toDryingLink, type DryingAddress } from '../../drying-address'
import type { DryingWorker } from '../../drying.worker'
import type { DryingData } from './load-drying.server'

export interface Drying {
	/** As the fields stand. */
	address: DryingAddress
	/** The last question that could be answered, with its answer; undefined: none yet. */
	answered: { address: DryingAddress; answer: DryingAnswer } | undefined
	problems: readonly FieldProblem[]
	/** What is wrong with a field; undefined: nothing. */
	problemOf: (field: string) => string | undefined
	change: (values: Partial<DryingAddress>) => void
	/** Takes the last change back; undefined: there is none. */
	undo: (() => void) | undefined
	/** Started when it is first asked. */
	askWorker: () => Remote<DryingWorker>
}

/** How it was before some fields changed. */
interface Past {
	address: DryingAddress
	fields: string
}

/** So long after the last change the address in the bar follows. */
const ADDRESS_DELAY_MS = 400

export function useDrying(data: DryingData): Drying {
	const { known } = data
	const [address, setAddress] = useState(data.address)
	const [state, setState] = useState<Pick<Drying, 'answered' | 'problems'>>({
		answered: data.answer && { address: data.address, answer: data.answer },
		problems: data.problems,
	})
	const newest = useRef(0)
	const askWorker = useDryingWorker()

	const [past, setPast] = useState<Past[]>([])
	const ask = (next: DryingAddress) => {
		setAddress(next)
		const own = ++newest.current
		try {
			dryingSchema.validateSync(next, { abortEarly: false })
		} catch (error) {
			if (!(error instanceof ValidationError)) throw error
			const problems = error.inner.map(({ path = '', message }) => ({ path, message }))
			setState((before) => ({ ...before, problems }))
			return
		}
		void askWorker()
			.ask(next, known)
			.then((asked) => {
				// An answer that comes after a newer question is of no use.
				if (own !== newest.current) return
				setState((before) => {
					return 'answer' in asked
						? { answered: { address: next, answer: asked.answer }, problems: [] }
						: { ...before, problems: asked.problems }
				})
			})
	}
	const change = (values: Partial<DryingAddress>) => {
		const fields = Object.keys(values).join()
		// A slider that is dragged is one change.
		if (past.at(-1)?.fields !== fields) setPast([...past, { address, fields }])
		ask({ ...address, ...values })
	}
	const last = past.at(-1)
	const undo =
		last &&
		(() => {
			setPast(past.slice(0, -1))
			ask(last.address)
		})

	const link = toDryingLink(address, data.beside)
	useEffect(() => {
		if (link === toDryingLink(data.address, data.beside)) return
		// The router need not know: nothing is to be loaded anew.
		const timer = setTimeout(() => window.history.replaceState(window.history.state, '', link), ADDRESS_DELAY_MS)
		return () => clearTimeout(timer)
	}, [link, data.address, data.beside])

	const problemOf = problemsByField(state.problems)
	return { address, ...state, problemOf, change, undo, askWorker }
}

/** One worker for the page, which goes with it. */
function useDryingWorker(): () => Remote<DryingWorker> {
	const thread = useRef<Worker>(undefined)
	const remote = useRef<Remote<DryingWorker>>(undefined)
	useEffect(() => {
		return () => {
			thread.current?.terminate()
			remote.current = undefined
		}
	}, [])
	return useCallback(() => {
		if (!remote.current) {
			thread.current = new Worker(new URL('../../drying.worker.ts', import.meta.url), { type: 'module' })
			remote.current = wrap<DryingWorker>(thread.current)
		}
		return remote.current
	}, [])
}
