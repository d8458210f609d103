import type { NamedAdvice } from '../../load-log.server'
import { adviceWords } from '../../words/log'

/** So many are read. */
const SHOWN = 5

/** What is worth a change, the dearest first. */
export function AdviceList({ advice }: { advice: readonly NamedAdvice[] }) {
	if (advice.length === 0) return null
	return (
		<section className="sheet stack" aria-labelledby="log-advice">
			<h2 id="log-advice">Worth a change</h2>
			<ul className="log-advice">
				{advice.slice(0, SHOWN).map((own) => {
					const { of, is, so } = adviceWords(own)
					return (
						<li key={`${own.advice.kind} ${of}`}>
							<b>{of}</b> {is} <span className="soft">{so}</span>
						</li>
					)
				})}
			</ul>
		</section>
	)
}
