import { slugOf } from '../../../../core/design/edits/fresh-id'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { writeStudioCopy } from '../../write-copy.server'
import type { Route } from './+types/route'

/** The whole studio as one file. */
export function loader({ context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const name = `${slugOf(studio.name)}-${today(studio.timeZone)}.zip`
		return answerFile(await writeStudioCopy(studio), { name, type: 'application/zip' })
	})
}
