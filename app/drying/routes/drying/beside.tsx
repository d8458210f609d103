import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { DryingAnswer } from '../../../../core/drying/answer-drying'
import type { DryingAddress } from '../../drying-address'
import { toDryingLink } from '../../drying-address'
import { forecastWords, STAGE_WORDS } from '../../words/drying'
import { percentSure } from '../../words/waits'
import { pieceWords } from './piece-words'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'

const MOST = 3

/** Up to four questions side by side: this one, and those that were kept. */
export function Beside({
	answered: { address, answer },
	askWorker,
	data,
}: {
	answered: NonNullable<Drying['answered']>
	askWorker: Drying['askWorker']
	data: DryingData
}) {
	const { beside, known } = data
	const navigate = useNavigate()
	const [answers, setAnswers] = useState<(DryingAnswer | undefined)[]>([])
	useEffect(() => {
		let isStale = false
		if (beside.length === 0) return
		void Promise.all(beside.map((kept) => askWorker().ask(kept, known))).then((asked) => {
			if (!isStale) setAnswers(asked.map((one) => ('answer' in one ? one.answer : undefined)))
		})
		return () => {
			isStale = true
		}
	}, [beside, known, askWorker])
	const columns = [
		{ address, answer, isNow: true },
		...beside.map((kept, i) => ({ address: kept, answer: answers[i], isNow: false })),
	]
	return (
		<section className="sheet" aria-labelledby="beside-head">
			<h2 id="beside-head">Side by side</h2>
			<div className="beside">
				{columns.map((column, c) => (
					<article key={c} className={column.isNow ? 'is-now' : ''}>
						<h3>{column.isNow ? 'Now' : `Kept ${c}`}</h3>
						<p>{pieceWords(column.address, data)}</p>
						<p className="beside-span">{span(column.address, column.answer)}</p>
						<p className="soft">{column.answer && `${percentSure(column.answer.sure)} sure by ${column.address.by}`}</p>
						{!column.isNow && (
							<p className="row">
								<Link
									to={toDryingLink(column.address, [...beside.filter((_, i) => i !== c - 1), address])}
									preventScrollReset
								>
									Look at it
								</Link>
								<Link
									to={toDryingLink(
										address,
										beside.filter((_, i) => i !== c - 1),
									)}
									preventScrollReset
								>
									Take away
								</Link>
							</p>
						)}
					</article>
				))}
			</div>
			{beside.length < MOST && (
				<Button
					onClick={() => void navigate(toDryingLink(address, [...beside, address]), { preventScrollReset: true })}
				>
					Keep this one, and change another
				</Button>
			)}
		</section>
	)
}

function span({ stage }: DryingAddress, answer: DryingAnswer | undefined): string {
	if (!answer) return '…'
	return `${STAGE_WORDS[stage]}: ${forecastWords(answer.stages[stage])}`
}
