import { Button } from 'antd'
import { useMemo } from 'react'
import type { Design, Need } from '../../../../../core/design/design'
import { keepValidPicks, resolveDesign } from '../../../../../core/design/resolve-design'
import { reckonUsualWait } from '../../../../../core/design/wait-subject'
import { STAGE_TERMS } from '../../../../../core/drying/stages'
import { DRYING_STAGES } from '../../../../../core/vocabulary/drying-stage'
import { hoursRange, hoursWords, STAGE_WORDS } from '../../../../drying/words/drying'
import { CheckField } from '../../../../shared/components/fields/check-fields'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { useEditing } from '../editing'
import { More } from './more'
import { WhenFields } from './when-fields'
import { AFTER_A_TIME, AT_ONCE, optional, withMark, withStage } from './needs'

const HOW_DRY = [
	...wordOptions([AT_ONCE, AFTER_A_TIME] as const),
	...DRYING_STAGES.map((value) => ({ value, label: STAGE_WORDS[value] })),
]
const LONGEST_MINUTES = 43_200
/** After the wait, so long is usually left before it is too late. */
const USUAL_ROOM_MINUTES = 15

interface WaitFieldsProps {
	need: Need
	design: Design
	onChange: (need: Need) => void
	/** Further marks, beside those of the wait. */
	children?: React.ReactNode
}

/** How dry what comes before must be, and how long that usually takes. */
export function WaitFields({ need, design, onChange, children }: WaitFieldsProps) {
	const { wait } = need
	return (
		<>
			<div className="field-row">
				<SelectField
					label="How dry"
					value={wait ? (wait.stage ?? AFTER_A_TIME) : AT_ONCE}
					options={HOW_DRY}
					onChange={(chosen) => onChange(withStage(need, chosen))}
				/>
				{wait && (
					<NumberField
						label="Usually"
						unit="min"
						value={wait.usualMinutes}
						min={1}
						max={LONGEST_MINUTES}
						step={15}
						isWhole
						onChange={(usualMinutes) => onChange({ ...need, wait: { ...wait, usualMinutes } })}
					/>
				)}
			</div>
			{wait?.stage && <p className="soft small">Then you can {STAGE_TERMS[wait.stage].allows}.</p>}
			{wait && <ReckonedWait need={need} design={design} onChange={onChange} />}
			<More label={markWords(need)}>
				{children}
				{wait && (
					<>
						<CheckField
							label="Dried pieces may be brought instead"
							value={wait.isSwappable ?? false}
							onChange={(is) => onChange(withMark(need, 'isSwappable', is))}
						/>
						<CheckField
							label="The stated minutes hold in any room"
							value={wait.isByHand ?? false}
							onChange={(is) => onChange(withMark(need, 'isByHand', is))}
						/>
					</>
				)}
				<LimitFields need={need} onChange={onChange} />
				<ComputedLimits need={need} onChange={onChange} />
				{design.choices.length > 0 && (
					<WhenFields when={need.when} design={design} onChange={(when) => onChange(optional(need, { when }))} />
				)}
			</More>
		</>
	)
}

/** 'Piece by piece, dried pieces may be brought, within 25 min'. */
function markWords({ wait, withinMinutes, isPieceByPiece, beforeStage, whileDamp, when }: Need): string {
	const marks = [
		isPieceByPiece && 'piece by piece',
		wait?.isSwappable && 'dried pieces may be brought',
		wait?.isByHand && 'in any room',
		withinMinutes !== undefined && `within ${withinMinutes} min`,
		beforeStage && `before it is ${beforeStage}`,
		whileDamp && 'while damp',
		when && 'under some options',
	].filter(Boolean)
	return marks.length > 0 ? marks.join(', ') : 'without further terms'
}

/** Until when it must follow: while still damp, before it skins. */
function LimitFields({ need, onChange }: Pick<WaitFieldsProps, 'need' | 'onChange'>) {
	const { wait, withinMinutes, withinCoveredMinutes, isCovered } = need
	const setLimited = (is: boolean) =>
		onChange(
			optional(
				need,
				is
					? { withinMinutes: (wait?.usualMinutes ?? 0) + USUAL_ROOM_MINUTES }
					: { withinMinutes: undefined, withinCoveredMinutes: undefined, isCovered: undefined },
			),
		)
	return (
		<>
			<CheckField label="Within so many minutes" value={withinMinutes !== undefined} onChange={setLimited} />
			{withinMinutes !== undefined && (
				<div className="field-row">
					<NumberField
						label="Within"
						unit="min"
						value={withinMinutes}
						min={0}
						max={LONGEST_MINUTES}
						step={5}
						isWhole
						onChange={(minutes) => onChange({ ...need, withinMinutes: minutes })}
					/>
					<NumberField
						label="Covered"
						unit="min"
						value={withinCoveredMinutes ?? withinMinutes}
						min={1}
						max={LONGEST_MINUTES}
						step={5}
						isWhole
						onChange={(minutes) => onChange({ ...need, withinCoveredMinutes: minutes })}
					/>
					<CheckField
						label="Kept covered"
						value={isCovered ?? false}
						onChange={(is) => onChange(optional(need, { isCovered: is || undefined }))}
					/>
				</div>
			)}
		</>
	)
}

/** Limits that are reckoned for each room: before the paste gets too dry, while the paint is damp. */
function ComputedLimits({ need, onChange }: Pick<WaitFieldsProps, 'need' | 'onChange'>) {
	return (
		<div className="field-row">
			<SelectField
				label="Before it is"
				value={need.beforeStage ?? ''}
				options={[
					{ value: '', label: 'no limit' },
					...DRYING_STAGES.map((value) => ({ value, label: STAGE_WORDS[value] })),
				]}
				onChange={(stage) => onChange(optional(need, { beforeStage: stage || undefined }))}
			/>
			<CheckField
				label="While colour in alcohol is damp"
				value={need.whileDamp ?? false}
				onChange={(is) => onChange(optional(need, { whileDamp: is || undefined }))}
			/>
		</div>
	)
}

/** What the wait is reckoned to take in an ordinary room, beside what the design states. */
function ReckonedWait({ need, design, onChange }: WaitFieldsProps) {
	const { scope, gaugeStandard } = useEditing()
	const { wait } = need
	const steps = design.steps.map(({ id, part, needs, materials, uses, when, lays, sizes }) => [
		id,
		part,
		needs,
		materials,
		uses,
		when,
		lays,
		sizes,
	])
	const key = JSON.stringify([need.after, wait?.stage, design.parts, design.layers, steps, scope.picks, gaugeStandard])
	const hours = useMemo(() => {
		// An option that is shown may have been taken away a moment ago.
		const resolved = resolveDesign(design, keepValidPicks(design, scope.picks))
		return reckonUsualWait(resolved, need, gaugeStandard)
		// eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for all that is reckoned with
	}, [key])
	if (!wait) return null
	const minutes = hours && hours !== 'never' ? Math.ceil(hours.p90 * 60) : undefined
	return (
		<p className="soft small">
			{reckonedWords(hours)}
			{minutes !== undefined && minutes !== wait.usualMinutes && (
				<Button
					type="link"
					size="small"
					onClick={() => onChange({ ...need, wait: { ...wait, usualMinutes: Math.min(LONGEST_MINUTES, minutes) } })}
				>
					State {hoursWords(minutes / 60)}
				</Button>
			)}
		</p>
	)
}

function reckonedWords(hours: ReturnType<typeof reckonUsualWait>): string {
	if (hours === undefined) return 'Nothing can be reckoned of it: the stated minutes hold.'
	if (hours === 'never') return 'In an ordinary room it never gets there: see the review.'
	return `Reckoned for an ordinary room: ${hoursRange(hours.p50, hours.p90)}.`
}
