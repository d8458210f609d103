import { NotFoundError } from '../../../../core/errors'
import { listObservations } from '../../../../db/repositories/observations.server'
import { logCsv } from '../../../../exchange/learning/log-csv'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'

/** What past classes have left, as a file; what is left out of learning is not in it. */
export function loader({ params: { file }, context }: Route.LoaderArgs) {
	return loading(async () => {
		if (file !== 'log.csv') throw new NotFoundError('There is no such file.')
		const rows = await listObservations(context.get(memberContext).studio.id)
		const csv = logCsv(rows.filter(({ leftOut }) => leftOut === null))
		return answerFile(csv, { name: file, type: 'text/csv; charset=utf-8' })
	})
}
