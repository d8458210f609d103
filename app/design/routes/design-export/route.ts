import { toBook } from '../../../../exchange/design/design-book'
import { listDocuments } from '../../../../db/repositories/designs.server'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import type { Route } from './+types/route'

/** The design book as one file: all of it, or the designs that `only` names. */
export async function loader({ request, context }: Route.LoaderArgs) {
	const only = new URL(request.url).searchParams.getAll('only')
	const designs = await listDocuments(context.get(memberContext).studio.id, only.length > 0 ? only : undefined)
	const text = `${JSON.stringify(toBook(designs), null, '\t')}\n`
	return answerFile(text, { name: 'designs.json', type: 'application/json' })
}
