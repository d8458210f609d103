import { Form, useActionData } from 'react-router'
import { toDryingLink } from '../../drying-address'
import type { Refusal } from '../../../shared/http/refusal'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'
import { hoursWords, STAGE_WORDS } from '../../words/drying'

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
	const problemOf = (field: string) => refusal?.problems.find(({ path }) => path === field)?.message
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
					<label>
						Not yet {STAGE_WORDS[address.stage]} after, h
						<input name="notReadyHours" type="number" min={0} max={2000} step="any" defaultValue={0} required />
						{problemOf('notReadyHours') && <span className="field-problem">{problemOf('notReadyHours')}</span>}
					</label>
					<label>
						Seen {STAGE_WORDS[address.stage]} after, h (empty: not yet)
						<input name="readyHours" type="number" min={0} max={2000} step="any" />
						{problemOf('readyHours') && <span className="field-problem">{problemOf('readyHours')}</span>}
					</label>
					<button className="button-link" name="intent" value="note">
						Note it
					</button>
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
							<Form method="post" action={link} preventScrollReset>
								<input type="hidden" name="id" value={id} />
								<button className="text-button" name="intent" value="forget" aria-label={`Forget: ${what}`}>
									Forget
								</button>
							</Form>
						</li>
					))}
				</ul>
			)}
		</section>
	)
}
