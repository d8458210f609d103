import { Button } from 'antd'
import type { Choice } from '../../../../core/design/design'
import { rankFits, type DesignFit, type FitWay } from '../../../../core/plan/what-fits/what-fits'
import { Disclosure } from '../../../shared/native/disclosure'
import { count, duration } from '../../../shared/words/times'
import { fitWords, misfitWords, picksWords } from '../../words/fits'

/** What is known of a design beside how it fits. */
export interface BookDesign {
	slug: string
	name: string
	choices: Choice[]
}

interface FitListProps {
	fits: readonly DesignFit[]
	designs: readonly BookDesign[]
	/** A course is being made. */
	isBusy: boolean
	onMake: (designId: string, way: FitWay) => void
}

/** Designs that fit, the least asking first; then those that are not found to, with why. */
export function FitList({ fits, designs, isBusy, onMake }: FitListProps) {
	const bySlug = new Map(designs.map((design) => [design.slug, design]))
	const { fitting, others } = rankFits(fits)
	return (
		<>
			<ol className="fit-list">
				{fitting.map((fit) => (
					<li key={fit.designId} className="sheet">
						<FitRow
							fit={fit}
							choices={bySlug.get(fit.designId)?.choices ?? []}
							isBusy={isBusy}
							onMake={(way) => onMake(fit.designId, way)}
						/>
					</li>
				))}
			</ol>
			{others.length > 0 && (
				<section aria-labelledby="fit-others">
					<h2 id="fit-others">{count(others.length, 'does', 'do')} not fit so</h2>
					<ul className="fit-others">
						{others.map(({ designId, name, misfit }) => (
							<li key={designId}>
								<b>{name}</b> <span className="soft">{misfit && misfitWords(misfit)}</span>
							</li>
						))}
					</ul>
				</section>
			)}
		</>
	)
}

interface FitRowProps {
	fit: DesignFit
	choices: readonly Choice[]
	isBusy: boolean
	onMake: (way: FitWay) => void
}

function FitRow({ fit, choices, isBusy, onMake }: FitRowProps) {
	const { designId, name, ways, triedCount, wayCount } = fit
	const [best, ...others] = ways
	if (!best) return null
	return (
		<article className="fit-row" aria-label={name}>
			<img src={`/designs/${designId}/picture.svg`} alt="" width={96} height={96} loading="lazy" />
			<div>
				<h2>{name}</h2>
				<p className={best.asks === 'nothing' && best.isUsual ? 'fit-verdict is-whole' : 'fit-verdict'}>
					{fitWords(best)}
				</p>
				<p className="soft">{[picksWords(choices, best.picks), ...figuresOf(best)].filter(Boolean).join(' · ')}</p>
				{others.length > 0 && (
					<Disclosure className="small" head={otherWords(others, { triedCount, wayCount })}>
						<ul className="fit-ways">
							{others.map((way) => (
								<li key={JSON.stringify(way.picks)}>
									<span>
										<b>{picksWords(choices, way.picks) || 'as usual'}</b>:{' '}
										{[fitWords({ ...way, isUsual: true }), ...figuresOf(way)].join(' · ')}
									</span>
									<Button size="small" disabled={isBusy} onClick={() => onMake(way)}>
										Make the course
									</Button>
								</li>
							))}
						</ul>
					</Disclosure>
				)}
			</div>
			<Button type="primary" disabled={isBusy} aria-label={`Make the course: ${name}`} onClick={() => onMake(best)}>
				Make the course
			</Button>
		</article>
	)
}

function figuresOf({ spareMinutes, strain }: FitWay): string[] {
	return [`${duration(spareMinutes)} to spare`, ...(strain > 0 ? [`${duration(strain)} of waiting and haste`] : [])]
}

/** '7 more ways fit, of 8'. */
function otherWords(others: readonly FitWay[], { triedCount, wayCount }: Pick<DesignFit, 'triedCount' | 'wayCount'>) {
	const looked = triedCount < wayCount ? `, of ${triedCount} looked at` : `, of ${wayCount}`
	return `${others.length} more ${others.length === 1 ? 'way fits' : 'ways fit'}${looked}`
}
