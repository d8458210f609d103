import { useEffect, useState } from 'react'
import type { DesignFit } from '../../../../core/plan/what-fits/what-fits'
import type { FoundLine } from '../what-fits-found/route'

export interface Found {
	fits: DesignFit[]
	/** Designs that were looked at; undefined: not begun. */
	looked?: number
	/** All that may be. */
	of?: number
	/** Why the rest was not looked at. */
	failed?: string
	isDone: boolean
}

const NOTHING: Found = { fits: [], isDone: false }

/** What fits, as it comes; another question puts an end to the one before. */
export function useFound(query: string): Found {
	const [found, setFound] = useState<Found & { query: string }>({ ...NOTHING, query })
	useEffect(() => {
		const stopping = new AbortController()
		const take = (change: (before: Found) => Found) =>
			setFound((before) => ({ ...change(before.query === query ? before : NOTHING), query }))
		take(() => NOTHING)
		readLines(`/courses/what-fits/found?${query}`, stopping.signal, (line) => take((before) => withLine(before, line)))
			.then(() => take((before) => ({ ...before, isDone: true })))
			.catch(() => {
				if (!stopping.signal.aborted)
					take((before) => ({ ...before, isDone: true, failed: 'The network or the server is away.' }))
			})
		return () => stopping.abort()
	}, [query])
	return found.query === query ? found : NOTHING
}

function withLine(before: Found, line: FoundLine): Found {
	if ('fit' in line) return { ...before, fits: [...before.fits, line.fit] }
	return { ...before, ...line }
}

async function readLines(address: string, signal: AbortSignal, onLine: (line: FoundLine) => void): Promise<void> {
	const answer = await fetch(address, { signal })
	if (!answer.ok || !answer.body) throw new Error(`answered ${answer.status}`)
	const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
	let rest = ''
	for (;;) {
		const { value, done } = await reader.read()
		const lines = (rest + (value ?? '')).split('\n')
		rest = lines.pop() ?? ''
		// Our own server wrote them.
		for (const line of lines) onLine(JSON.parse(line) as FoundLine)
		if (done) return
	}
}
