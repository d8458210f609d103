import { Link } from 'react-router'
import type { Choice } from '../../../../core/design/design'
import type { Picks } from '../../../../core/design/resolve-design'
import './choice-links.css'

/** Each choice as a row of links: the address says which options are shown. */
export function ChoiceLinks({ choices, picks }: { choices: readonly Choice[]; picks: Picks }) {
	return (
		<div className="choice-links">
			{choices.map(({ id, name, options }) => (
				<div key={id} role="group" aria-label={name}>
					<span className="choice-name">{name}</span>
					{options.map((option) => (
						<Link
							key={option.id}
							className="option-link"
							to={`?${new URLSearchParams({ ...picks, [id]: option.id })}`}
							replace
							preventScrollReset
							aria-current={picks[id] === option.id ? 'true' : undefined}
						>
							{option.name}
						</Link>
					))}
				</div>
			))}
		</div>
	)
}
