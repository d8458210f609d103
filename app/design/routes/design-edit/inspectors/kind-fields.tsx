import type { Audience, Design, DesignKind } from '../../../../../core/design/design'
import { FewField, SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { describeLevel, KIND_WORDS } from '../../../../shared/words/terms'

const KINDS = Object.entries(KIND_WORDS).map(([value, label]) => ({ value: value as DesignKind, label }))
const LEVELS = [1, 2, 3, 4, 5].map((level) => ({ value: String(level), label: `${level}, ${describeLevel(level)}` }))
const AUDIENCES = wordOptions<Audience>(['adults', 'children'])
const VIEWS = [
	{ value: 'above' as const, label: 'above' },
	{ value: 'side' as const, label: 'the side' },
]

/** What it is, for whom, how hard, and from where it is drawn. */
export function KindFields({
	design: { kind, level, audience = 'adults', bestView = 'above' },
	onChange,
}: {
	design: Design
	onChange: (values: Partial<Design>) => void
}) {
	return (
		<>
			<div className="field-row">
				<SelectField label="Kind" value={kind} options={KINDS} onChange={(chosen) => onChange({ kind: chosen })} />
				<SelectField
					label="Level"
					value={String(level)}
					options={LEVELS}
					onChange={(chosen) => onChange({ level: Number(chosen) })}
				/>
			</div>
			<div className="field-row">
				<FewField
					label="For"
					value={audience}
					options={AUDIENCES}
					onChange={(chosen) => onChange({ audience: chosen })}
				/>
				<FewField
					label="Pictured from"
					value={bestView}
					options={VIEWS}
					onChange={(chosen) => onChange({ bestView: chosen })}
				/>
			</div>
		</>
	)
}
