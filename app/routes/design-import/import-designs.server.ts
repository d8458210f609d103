/** A file of designs looked at, and taken in. */
import { resolveDesign } from '../../../core/designs/resolve-design'
import { freshId } from '../../../core/designs/edits/fresh-id'
import { readDesignFile } from '../../../exchange/design-book'
import { inTransaction } from '../../../db/connection.server'
import { createDesign, listVersions, updateDesign } from '../../../db/repositories/designs.server'
import type { ImportInput } from '../../schemas/import-designs'

/** Problems shown of one design; a file with more is a different file. */
const PROBLEMS_SHOWN = 20

/** @throws {InputError} the text is no design and no book */
export async function lookAtFile(studioId: number, text: string) {
	const results = readDesignFile(text)
	const ids = results.flatMap((result) => ('design' in result ? [result.design.id] : []))
	const taken = await listVersions(studioId, ids)
	return results.map((result) => {
		if (!('design' in result)) return { name: result.name, problems: result.problems.slice(0, PROBLEMS_SHOWN) }
		const { design } = result
		const { parts, layers, steps, bestView } = resolveDesign(design, {})
		return {
			name: design.name,
			kind: design.kind,
			partCount: parts.length,
			stepCount: steps.length,
			isTaken: taken.has(design.id),
			picture: { name: design.name, parts, layers, ...(bestView && { bestView }) },
		}
	})
}

/**
 * Takes in every design of the file that is whole; all of them, or none.
 *
 * @throws {InputError} the text is no design and no book
 */
export async function takeFile(studioId: number, { text, onTaken }: ImportInput): Promise<number> {
	const designs = readDesignFile(text).flatMap((result) => ('design' in result ? [result.design] : []))
	const taken = await listVersions(
		studioId,
		designs.map(({ id }) => id),
	)
	const used = [...taken.keys()].map((id) => ({ id }))
	await inTransaction(async (transaction) => {
		for (const design of designs) {
			const version = taken.get(design.id)
			if (version !== undefined && onTaken === 'replace') await updateDesign(studioId, design, version, transaction)
			else {
				const id = freshId(design.id, used)
				used.push({ id })
				await createDesign(studioId, { ...design, id }, transaction)
			}
		}
	})
	return designs.length
}
