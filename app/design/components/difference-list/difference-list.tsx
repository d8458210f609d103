import type { DesignDifference } from '../../../../core/design/design-differences'

const SHOWN = 12

/** What two versions of a design say differently, a line each. */
export function DifferenceList({ differences }: { differences: readonly DesignDifference[] }) {
	return (
		<ul className="difference-list">
			{differences.slice(0, SHOWN).map(({ kind, name, change, fields }) => (
				<li key={`${kind} ${name} ${change}`}>
					<strong>{name}</strong>{' '}
					{change === 'changed'
						? fields
								.map(({ field, before, after }) => `${wordOf(field)}: ${before ?? 'none'} → ${after ?? 'none'}`)
								.join('; ')
						: `${kind} ${change}`}
				</li>
			))}
			{differences.length > SHOWN && <li>and {differences.length - SHOWN} more</li>}
		</ul>
	)
}

/** 'form.widthMm' -> 'width mm'. */
function wordOf(field: string): string {
	const last = field.split('.').at(-1) ?? field
	return last.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`)
}
