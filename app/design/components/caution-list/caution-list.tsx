import type { Caution } from '../../../../core/design/cautions'
import './caution-list.css'

/** Cautions in full, for a design or for what a course hands out. */
export function CautionList({ cautions }: { cautions: readonly Caution[] }) {
	return (
		<>
			<ul className="cautions">
				{cautions.map(({ hazard, title, text }) => (
					<li key={hazard} className="sheet">
						<h3>{title}</h3>
						<p>{text}</p>
					</li>
				))}
			</ul>
			<p className="soft small">Usual cautions. Product labels, local rules and licensed practice come first.</p>
		</>
	)
}
