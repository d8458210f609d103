/** A question that changes as she drags, answered in a worker; the address follows, so that a link leads back. */
import { wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ValidationError } from 'yup'
import type { FieldProblem } from '../../../../core/errors'
import type { DryingAnswer, DryingVerdict } from '../../../../core/drying/answer-drying'
import { useLatest } from '../../../shared/components/use-latest'
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

/** Shorter than between two steps of a slider that is dragged. */
const EXPLAIN_DELAY_MS = 30
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
	// Who has left wants no explanation, and no new worker for it.
	useEffect(() => () => void newest.current++, [])

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
			.judge(next, known)
			.then((judged) => {
				// An answer that comes after a newer question is of no use.
				if (own !== newest.current) return
				setState((before) => {
					if ('problems' in judged) return { ...before, problems: judged.problems }
					if (!before.answered) return before
					const answer = withVerdict(before.answered.answer, judged.answer)
					return { answered: { address: next, answer }, problems: [] }
				})
				if ('answer' in judged) explain(next, own)
			})
	}
	/** Reasons and help take longer than the answer: they follow once nothing newer is asked. */
	const explain = (address: DryingAddress, own: number) => {
		setTimeout(() => {
			if (own !== newest.current) return
			void askWorker()
				.ask(address, known)
				.then((asked) => {
					if (own !== newest.current || !('answer' in asked)) return
					setState({ answered: { address, answer: asked.answer }, problems: [] })
				})
		}, EXPLAIN_DELAY_MS)
	}
	const change = useLatest((values: Partial<DryingAddress>) => {
		const fields = Object.keys(values).join()
		// A slider that is dragged is one change.
		if (past.at(-1)?.fields !== fields) setPast([...past, { address, fields }])
		ask({ ...address, ...values })
	})
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

/** Reasons and help of the answer before, which are soon renewed, with a verdict of which nothing is older. */
function withVerdict(before: DryingAnswer, verdict: DryingVerdict): DryingAnswer {
	const { course, slow, rungs } = before
	return { course, slow, rungs, ...verdict }
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
