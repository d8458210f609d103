import { Button } from 'antd'
import type { Air } from '../../../../core/drying/climate'
import type { AirMovement } from '../../../../core/drying/air-film'
import { humidityAt } from '../../../../core/drying/humid-air'
import type { Rung } from '../../../../core/drying/what-helps'
import { airAtStart } from '../../ask-drying'
import type { DryingAddress } from '../../drying-address'
import { claimWords, hoursRange, hoursWords, rungWords } from '../../words/drying'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'

/** What would make it ready sooner, each step computed, the best first; and tried with one press. */
export function HelpLadder({
	answered: { address, answer },
	change,
	data,
}: {
	answered: NonNullable<Drying['answered']>
	change: Drying['change']
	data: DryingData
}) {
	const now = answer.stages[address.stage]
	const longest = now.plan ?? Math.max(0, ...answer.rungs.flatMap((rung) => rung.plan ?? []))
	return (
		<section className="sheet" aria-labelledby="help-head">
			<h2 id="help-head">What would help</h2>
			<ol className="help-ladder">
				<li className="is-now">
					<span>as it is</span>
					<Span looked={now} longest={longest} />
				</li>
				{answer.rungs.map((rung) => (
					<li key={rung.id}>
						<Button type="link" onClick={() => change(applyRung(rung, airAtStart(address, data.known)))}>
							{rungWords(rung)}
						</Button>
						<Span looked={rung} longest={longest} />
					</li>
				))}
			</ol>
			{answer.rungs.length === 0 && <p className="soft">Nothing here makes it noticeably sooner.</p>}
			{answer.beginEarlierHours !== undefined && (
				<p>Or begin {hoursWords(answer.beginEarlierHours)} earlier, or take a dried piece in exchange.</p>
			)}
			<p className="soft small">
				The fridge is no help: a cold piece takes up water from warm air. Press a step to try it; “Undo” beside the
				fields takes it back.
			</p>
		</section>
	)
}

function Span({ looked, longest }: { looked: Pick<Rung, 'p50' | 'plan' | 'claim'>; longest: number }) {
	const { p50, plan } = looked
	const from = longest > 0 ? (100 * (p50 ?? 0)) / longest : 0
	const to = longest > 0 ? Math.min(100, (100 * (plan ?? longest)) / longest) : 0
	return (
		<span className="help-span">
			<span className="help-bar" aria-hidden="true">
				{p50 !== undefined && <i style={{ left: `${Math.min(98, from)}%`, right: `${100 - to}%` }} />}
			</span>
			<span>
				<b>{p50 === undefined || plan === undefined ? claimWords(looked) : hoursRange(p50, plan)}</b>
				{looked.claim === 'if the room holds' && <small className="soft">if the room holds</small>}
			</span>
		</span>
	)
}

/** The fields that a rung changes; a place with air of its own is left for air that can be changed. */
function applyRung({ id, amount = 0 }: Rung, air: Air & { movement: AirMovement }): Partial<DryingAddress> {
	const free = (values: Partial<Air & { movement: AirMovement }>): Partial<DryingAddress> => {
		const next = { ...air, ...values }
		return {
			room: 0,
			temperature: Math.round(next.temperatureC),
			humidity: Math.round(100 * next.humidity),
			air: next.movement,
			moved: undefined,
			then: 0,
		}
	}
	switch (id) {
		case 'turn over':
			return { turn: Math.round(10 * amount) / 10 }
		case 'ventilated former':
			return { back: 'ventilated' }
		case 'thinner':
			return { thickness: amount }
		case 'other paste':
			return { paste: 'gum paste', own: undefined, pace: 1 }
		case 'fan':
			return free({ movement: 'fan' })
		case 'drier air':
			return free({ humidity: air.humidity - amount })
		case 'heating':
			return free({
				temperatureC: air.temperatureC + amount,
				humidity: humidityAt(air.temperatureC + amount, air),
			})
		case 'both drier and fan':
			return free({ humidity: air.humidity - amount, movement: 'fan' })
	}
}
