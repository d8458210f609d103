import { Button } from 'antd'
import { couldBegin } from '../../../../core/run/could-begin'
import { minuteOfDayAt } from '../../../../core/time/zone'
import type { JudgedOffer } from '../../device/foresight.worker'
import { useOffers } from '../../device/use-offers'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { aheadWords, costWords, offerWords } from '../../words/offers'
import { clock } from '../../../shared/words/times'

interface OffersCardProps {
	page: RunPage
	run: Run
	/** To end in time, in [0, 1]; undefined: not known yet. */
	chance: number | undefined
}

/** A quiet offer, never a jump: what would help, what it costs; one press takes it, another takes it back. */
export function OffersCard({ page, run, chance }: OffersCardProps) {
	const { desk, state } = run
	const offers = useOffers(page, run, chance)
	const last = state.taken.at(-1)
	const take = ({ change, taken }: JudgedOffer) => {
		desk.write({ type: 'plan', reason: offerWords(change, page), ...taken })
	}
	const ahead = couldBegin(page.problem, run.opened, state, run)
	const heading = offers.cause === 'chance' ? 'These would help' : 'What comes next is not dry yet'
	return (
		<>
			{last && state.closed === undefined && (
				<p className="run-taken">
					<span>
						Since {clock(Math.floor(minuteOfDayAt(last.when, page.timeZone)))}: {last.reason}
					</span>
					<Button onClick={() => desk.write({ type: 'undo', of: last.id })}>Take it back</Button>
				</p>
			)}
			{ahead.length > 0 && <p>{aheadWords(ahead, page)}</p>}
			{offers.isHopeless && (
				<p className="soft">Nothing that fits the rest of the course would make it likelier to end in time.</p>
			)}
			{offers.list.length > 0 && (
				<section className="run-offers" aria-labelledby="offers">
					<h2 id="offers">{heading}</h2>
					<ul>
						{offers.list.map((offer) => {
							const words = offerWords(offer.change, page)
							return (
								<li key={words}>
									<div>
										<b>{words}</b>
										<span className="soft">{costWords(offer)}</span>
									</div>
									<Button onClick={() => take(offer)} aria-label={`Take: ${words}`}>
										Take
									</Button>
								</li>
							)
						})}
					</ul>
					<Button type="text" onClick={offers.setAside}>
						Not now
					</Button>
				</section>
			)}
		</>
	)
}
