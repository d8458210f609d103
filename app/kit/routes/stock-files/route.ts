import { NotFoundError } from '../../../../core/errors'
import { readStock, toStock } from '../../../../db/repositories/stock/read-stock.server'
import { stockCsv } from '../../../../exchange/kit/stock-csv'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'

/** The shelf as a file. */
export function loader({ params: { file }, context }: Route.LoaderArgs) {
	return loading(async () => {
		if (file !== 'shelf.csv') throw new NotFoundError('There is no such file.')
		const stock = toStock(await readStock(context.get(memberContext).studio.id))
		return answerFile(stockCsv(stock), { name: file, type: 'text/csv; charset=utf-8' })
	})
}
