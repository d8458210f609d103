import type { Finding } from '../../../../core/design/review/finding'
import { useEditing } from './editing'

/** What the review has to say, each with its reason and, where there is one, a fix to accept. */
export function ReviewList({ findings }: { findings: readonly Finding[] }) {
	const { change, select } = useEditing()
	return (
		<section className="sheet stack" id="review" aria-label="Review">
			<h2>Review</h2>
			{findings.length === 0 ? (
				<p className="soft">Nothing stands out.</p>
			) : (
				<ul className="review-list">
					{findings.map(({ id, message, reason, fix, part, step, layer }) => {
						const about = part
							? ({ type: 'part', id: part } as const)
							: step
								? ({ type: 'step', id: step } as const)
								: layer === undefined
									? undefined
									: ({ type: 'layer', index: layer } as const)
						return (
							<li key={id}>
								<p>{message}</p>
								<p className="soft small">{reason}</p>
								<div className="row">
									{fix && (
										<button type="button" className="button-link" onClick={() => change(fix.apply)}>
											{fix.label}
										</button>
									)}
									{about && (
										<button type="button" className="text-button" onClick={() => select(about)}>
											Show it
										</button>
									)}
								</div>
							</li>
						)
					})}
				</ul>
			)}
		</section>
	)
}
