import { Button } from 'antd'
import type { Finding } from '../../../../../core/design/review/finding'
import { useEditing } from '../editing'

/** What the review has to say, each with its reason and, where there is one, a fix to accept. */
export function ReviewList({ findings }: { findings: readonly Finding[] }) {
	const { change, select } = useEditing()
	return (
		<section className="stack" id="review" aria-label="Review">
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
									{fix && <Button onClick={() => change(fix.apply)}>{fix.label}</Button>}
									{about && (
										<Button type="link" size="small" onClick={() => select(about)}>
											Show it
										</Button>
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
