import { Button } from 'antd'
import { Form, useActionData } from 'react-router'
import { PlainNumber } from '../../../shared/components/fields/plain-fields'
import { toDryingLink } from '../../drying-address'
import { problemsByField, type Refusal } from '../../../shared/http/refusal'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'
import { hoursWords, STAGE_WORDS } from '../../words/drying'
import { LinePress } from '../../../shared/components/line-press'

/** What she saw: an interval, from which the forecast of this paste learns. */
export function NoteForm({
	answered: { address, answer },
	data,
}: {
	answered: NonNullable<Drying['answered']>
	data: DryingData
}) {
	const model = answer.stages[address.stage].p50
	const own = data.notes.filter(({ paste }) => paste === address.paste)
	const refusal = useActionData() as Refusal | undefined
	const problemOf = problemsByField(refusal?.problems ?? [])
	const { mean, sd } = data.belief
	// What was dragged to, which the router does not know.
	const link = toDryingLink(address, data.beside)
	return (
		<section className="sheet" aria-labelledby="notes-head">
			<h2 id="notes-head">What you saw</h2>
			<p>
				{own.length === 0
					? `Nothing noted of ${address.paste} yet: the forecast is as wide as for any studio.`
					: `From ${own.length} ${own.length === 1 ? 'entry' : 'entries'}: your ${address.paste} dries ${Math.exp(mean).toFixed(2)} times as fast as the model, give or take ${Math.round(100 * sd)} %.`}
			</p>
			{model !== undefined && (
				<Form method="post" action={link} className="note-form" preventScrollReset>
					<PlainNumber
						name="notReadyHours"
						label={`Not yet ${STAGE_WORDS[address.stage]} after`}
						unit="h"
						defaultValue={0}
						isRequired
						problem={problemOf('notReadyHours')}
					/>
					<PlainNumber
						name="readyHours"
						label={`Seen ${STAGE_WORDS[address.stage]} after (empty: not yet)`}
						unit="h"
						problem={problemOf('readyHours')}
					/>
					<Button htmlType="submit" name="intent" value="note">
						Note it
					</Button>
				</Form>
			)}
			{own.length > 0 && (
				<ul className="note-list">
					{own.slice(0, 8).map(({ id, what, modelHours, notReadyHours, readyHours }) => (
						<li key={id}>
							<span>
								{what}:{' '}
								{readyHours === undefined
									? `not after ${hoursWords(notReadyHours)}`
									: notReadyHours === 0
										? `within ${hoursWords(readyHours)}`
										: `between ${hoursWords(notReadyHours)} and ${hoursWords(readyHours)}`}{' '}
								<span className="soft">(model {hoursWords(modelHours)})</span>
							</span>
							<LinePress intent="forget" fields={{ id }} label={`Forget: ${what}`} action={link}>
								Forget
							</LinePress>
						</li>
					))}
				</ul>
			)}
		</section>
	)
}
