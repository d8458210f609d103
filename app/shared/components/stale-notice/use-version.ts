/** The version that a form's next saving is based on, and what another window has saved instead. */
import { useState } from 'react'
import type { SchemaForm } from '../use-schema-form'

/**
 * @param read - the version that the page was read with
 */
export function useVersion<Current extends { version: number }>(read: number) {
	const [version, setVersion] = useState(read)
	const theirsOf = ({ refusal }: Pick<SchemaForm<object>, 'refusal'>): Current | undefined => {
		// Answered by `changing` with what the page's own loader reads.
		const current = refusal?.['current'] as Current | undefined
		return current && current.version !== version ? current : undefined
	}
	return { version, setVersion, theirsOf }
}
