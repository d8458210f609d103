import { Button } from 'antd'
import { Link, useSearchParams } from 'react-router'
import type { Advice } from '../../../../core/rehearse/advice'
import type { PlayedCourse } from '../../read-rehearsal.server'
import type { TriedAdvice } from '../../rehearsal.worker'
import { changeWords, priceWords } from '../../words/changes'
import type { Taking } from './use-taking'

interface AdviceListProps {
	/** Undefined: nothing has been tried yet. */
	tried: TriedAdvice | undefined
	hasFailed: boolean
	played: PlayedCourse
	/** The plan is not of the course as it is. */
	isOutdated: boolean
	taking: Taking
}

/** What would help, the most helpful first, each tried with the same luck; a press takes it, and another takes it back. */
export function AdviceList({ tried, hasFailed, played, isOutdated, taking }: AdviceListProps) {
	const { planId, names } = played
	const take = ({ change, changed }: Advice) => {
		if (!changed) return
		const { course, plan } = changed
		taking.take(changeWords(change, names), {
			...{ intent: 'keep-trial', planId: String(planId) },
			...{ course: JSON.stringify(course), plan: JSON.stringify(plan) },
		})
	}
	return (
		<section className="sheet" aria-labelledby="helps">
			<h2 id="helps">What would help</h2>
			<TakenNotice taking={taking} />
			<p className="soft small" role="status">
				{progressWords(tried, { hasFailed, isOutdated })}
			</p>
			<ul className="advice-list">
				{tried?.advice.map((advice) => (
					<li key={JSON.stringify(advice.change)}>
						<strong>+{Math.round(100 * advice.gain)}</strong>
						<span>
							{changeWords(advice.change, names)}
							<span className="soft small">
								{' '}
								{[`± ${Math.ceil(100 * advice.uncertainty)}`, ...priceWords(advice)].join('; ')}
							</span>
						</span>
						<AdvicePress
							advice={advice}
							isBusy={taking.isBusy}
							onTake={take}
							label={changeWords(advice.change, names)}
						/>
					</li>
				))}
			</ul>
		</section>
	)
}

function TakenNotice({ taking: { words, refusal, isBusy, mayBeTakenBack, takeBack } }: { taking: Taking }) {
	if (refusal)
		return (
			<p className="alert" role="alert">
				{refusal}
			</p>
		)
	if (words === undefined) return null
	return (
		<p className="told row" role="status">
			<span>
				{isBusy ? 'Being taken' : 'Taken'}: {words}.
			</span>
			<Button onClick={takeBack} disabled={!mayBeTakenBack}>
				Take it back
			</Button>
		</p>
	)
}

function progressWords(
	tried: TriedAdvice | undefined,
	{ hasFailed, isOutdated }: { hasFailed: boolean; isOutdated: boolean },
): string {
	if (hasFailed) return 'The changes could not be tried: look at this page again.'
	if (!tried) return 'Changes will be tried with the same luck.'
	const { triedCount, changeCount, advice } = tried
	if (triedCount < changeCount)
		return `Of 100 evenings, so many more end on time. ${triedCount} of ${changeCount} changes have been tried.`
	const only = isOutdated ? ' Plan anew, and changes of the course are tried too.' : ''
	if (advice.length === 0)
		return `None of ${changeCount} changes that were tried helps by one evening in a hundred.${only}`
	return `Of 100 evenings, so many more end on time. All ${changeCount} changes were tried with the same luck.${only}`
}

interface AdvicePressProps {
	advice: Advice
	/** Of the change. */
	label: string
	isBusy: boolean
	onTake: (advice: Advice) => void
}

function AdvicePress({ advice, label, isBusy, onTake }: AdvicePressProps) {
	const [search] = useSearchParams()
	const { change } = advice
	if (change.kind === 'tool')
		return <Link to={`/stock?kind=tool&name=${encodeURIComponent(change.name)}`}>Say that you have them</Link>
	if (change.kind === 'assistant') {
		const helped = new URLSearchParams(search)
		helped.set('helpers', String(Number(search.get('helpers') ?? 1) + 1))
		return <Link to={`?${helped}`}>Assume it</Link>
	}
	return (
		<Button onClick={() => onTake(advice)} disabled={isBusy} aria-label={`Take it: ${label}`}>
			Take it
		</Button>
	)
}
