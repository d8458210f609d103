/** A file of designs looked at, and taken in. */
import { resolveDesign } from '../../../../core/design/resolve-design'
import { freshId } from '../../../../core/design/edits/fresh-id'
import { readDesignFile } from '../../../../exchange/design/design-book'
import { placed } from '../../../../exchange/problem-place'
import { ConflictError } from '../../../../core/errors'
import { inTransaction } from '../../../../db/connection.server'
import { createDesign, listVersions, updateDesign } from '../../../../db/repositories/designs.server'
import type { InferType } from 'yup'
import type { importActions } from '../../schemas/import-designs'

type TakeInput = InferType<(typeof importActions)['take']>

/** Problems shown of one design; a file with more is a different file. */
const PROBLEMS_SHOWN = 20

/** @throws {InputError} the text is no design and no book */
export async function lookAtFile(studioId: number, text: string) {
	const results = readDesignFile(text)
	const ids = results.flatMap((result) => ('design' in result ? [result.design.id] : []))
	const taken = await listVersions(studioId, ids)
	return results.map((result) => {
		if (!('design' in result))
			return { name: result.name, problems: result.problems.slice(0, PROBLEMS_SHOWN).map(placed) }
		const { design } = result
		const { parts, layers, steps, bestView } = resolveDesign(design, {})
		return {
			name: design.name,
			kind: design.kind,
			partCount: new Set(parts.map(({ of }) => of)).size,
			stepCount: steps.length,
			id: design.id,
			/** Of the design that has this id already; undefined: none has. */
			takenVersion: taken.get(design.id),
			picture: { name: design.name, parts, layers, ...(bestView && { bestView }) },
		}
	})
}

/**
 * Takes in every design of the file that is whole; all of them, or none.
 *
 * @throws {InputError} the text is no design and no book
 * @throws {ConflictError} a design to be replaced was changed since the file was looked at
 */
export function takeFile(studioId: number, { text, onTaken, versions }: TakeInput): Promise<number> {
	const designs = readDesignFile(text).flatMap((result) => ('design' in result ? [result.design] : []))
	return inTransaction(async (transaction) => {
		// All ids of the studio: a fresh one must differ from those that the file does not name, too.
		const taken = await listVersions(studioId)
		const current = new Map(Object.entries(versions))
		const used = [...taken.keys()].map((id) => ({ id }))
		for (const design of designs.toSorted((a, b) => (a.id < b.id ? -1 : 1))) {
			if (taken.has(design.id) && onTaken === 'replace') {
				// A design that was not there when the file was looked at must not be written over unseen.
				const version = current.get(design.id)
				if (version === undefined)
					throw new ConflictError(`"${design.name}" has come into your book meanwhile: look again.`)
				current.set(design.id, await updateDesign(studioId, design, version, transaction))
				continue
			}
			const id = freshId(design.id, used)
			used.push({ id })
			await createDesign(studioId, { ...design, id }, transaction)
		}
		return designs.length
	})
}
