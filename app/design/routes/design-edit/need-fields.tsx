import type { Design, Need, Step } from '../../../../core/design/design'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { useMemo } from 'react'
import { keepValidPicks, resolveDesign } from '../../../../core/design/resolve-design'
import { reckonUsualWait } from '../../../../core/design/wait-subject'
import { hoursRange, hoursWords } from '../../../drying/words/drying'
import { useEditing } from './editing'
import { CheckField, NumberField, SelectField } from '../../../shared/components/fields/fields'

interface NeedFieldsProps {
	step: Step
	design: Design
	onChange: (needs: Need[]) => void
}

/** What must have happened before: which step, how dry, and within which time. */
export function NeedFields({ step, design, onChange }: NeedFieldsProps) {
	const partNames = new Map(design.parts.map(({ id, name }) => [id, name]))
	const later = followersOf(design, step.id)
	// What waits for this step cannot be waited for by it.
	const candidates = design.steps.filter(({ id }) => id !== step.id && !later.has(id))
	const options = candidates.map(({ id, part, label }) => ({
		value: id,
		label: `${part === undefined ? 'Putting together' : (partNames.get(part) ?? part)}: ${label}`,
	}))
	const replace = (index: number, need: Need) => onChange(step.needs.map((one, n) => (n === index ? need : one)))
	const unused = options.find(({ value }) => !step.needs.some(({ after }) => after === value))
	return (
		<fieldset className="list-fields">
			<legend>Comes after</legend>
			{step.needs.map((need, n) => (
				<div key={n} className="need-fields">
					<div className="row">
						<SelectField
							label="Step before"
							value={need.after}
							options={options}
							onChange={(after) => replace(n, { ...need, after })}
						/>
						<button
							type="button"
							className="text-button"
							onClick={() => onChange(step.needs.filter((_, other) => other !== n))}
						>
							Take off
						</button>
					</div>
					<WaitFields need={need} design={design} onChange={(changed) => replace(n, changed)} />
					{design.steps.find(({ id }) => id === need.after)?.part === step.part && step.part !== undefined && (
						<CheckField
							label="Piece by piece"
							value={need.isPieceByPiece ?? false}
							onChange={(is) => replace(n, optional(need, { isPieceByPiece: is || undefined }))}
						/>
					)}
				</div>
			))}
			{unused && (
				<button
					type="button"
					className="text-button"
					onClick={() => onChange([...step.needs, { after: unused.value }])}
				>
					+ after
				</button>
			)}
		</fieldset>
	)
}

const HOW_DRY = ['at once', 'after a time', ...DRYING_STAGES] as const

function WaitFields({ need, design, onChange }: { need: Need; design: Design; onChange: (need: Need) => void }) {
	const { wait } = need
	const how = wait ? (wait.stage ?? 'after a time') : 'at once'
	const setHow = (chosen: (typeof HOW_DRY)[number]) => {
		const usualMinutes = wait?.usualMinutes ?? 60
		const { stage: _stage, usualMinutes: _minutes, ...swap } = wait ?? { usualMinutes: 0 }
		if (chosen === 'at once') onChange(optional(need, { wait: undefined }))
		else
			onChange({
				...need,
				wait: chosen === 'after a time' ? { usualMinutes, ...swap } : { stage: chosen, usualMinutes, ...swap },
			})
	}
	return (
		<>
			<div className="field-row">
				<SelectField
					label="How dry"
					value={how}
					options={HOW_DRY.map((value) => ({ value, label: value }))}
					onChange={setHow}
				/>
				{wait && (
					<NumberField
						label="Usually, min"
						value={wait.usualMinutes}
						min={1}
						max={43_200}
						step={15}
						isWhole
						onChange={(usualMinutes) => onChange({ ...need, wait: { ...wait, usualMinutes } })}
					/>
				)}
			</div>
			{wait && <ReckonedWait need={need} design={design} onChange={onChange} />}
			{wait && (
				<CheckField
					label="Dried pieces may be brought instead"
					value={wait.isSwappable ?? false}
					onChange={(isSwappable) => {
						const { isSwappable: _, ...rest } = wait
						onChange({ ...need, wait: isSwappable ? { ...rest, isSwappable } : rest })
					}}
				/>
			)}
			<CheckField
				label="While still damp, or before it skins"
				value={need.withinMinutes !== undefined}
				onChange={(is) =>
					onChange(
						optional(
							need,
							is
								? { withinMinutes: (wait?.usualMinutes ?? 0) + 15 }
								: { withinMinutes: undefined, withinCoveredMinutes: undefined, isCovered: undefined },
						),
					)
				}
			/>
			{need.withinMinutes !== undefined && (
				<div className="field-row">
					<NumberField
						label="Within, min"
						value={need.withinMinutes}
						min={0}
						max={43_200}
						step={5}
						isWhole
						onChange={(withinMinutes) => onChange({ ...need, withinMinutes })}
					/>
					<NumberField
						label="Covered, min"
						value={need.withinCoveredMinutes ?? need.withinMinutes}
						min={1}
						max={43_200}
						step={5}
						isWhole
						onChange={(withinCoveredMinutes) => onChange({ ...need, withinCoveredMinutes })}
					/>
					<CheckField
						label="Kept covered"
						value={need.isCovered ?? false}
						onChange={(is) => onChange(optional(need, { isCovered: is || undefined }))}
					/>
				</div>
			)}
		</>
	)
}

/** What the wait is reckoned to take in an ordinary room, beside what the design states; and which of the two holds. */
function ReckonedWait({ need, design, onChange }: { need: Need; design: Design; onChange: (need: Need) => void }) {
	const { scope, gaugeStandard } = useEditing()
	const { wait } = need
	const steps = design.steps.map(({ id, part, needs, materials, when }) => [id, part, needs, materials, when])
	const key = JSON.stringify([need.after, wait?.stage, design.parts, steps, scope.picks, gaugeStandard])
	const hours = useMemo(() => {
		// An option that is shown may have been taken away a moment ago.
		const resolved = resolveDesign(design, keepValidPicks(design, scope.picks))
		return reckonUsualWait(resolved, need, gaugeStandard)
		// eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for all that is reckoned with
	}, [key])
	if (!wait) return null
	const minutes = hours && hours !== 'never' ? Math.ceil(hours.p90 * 60) : undefined
	return (
		<>
			<p className="soft small">
				{reckonedWords(hours)}
				{minutes !== undefined && minutes !== wait.usualMinutes && (
					<>
						{' '}
						<button
							type="button"
							className="text-button"
							onClick={() => onChange({ ...need, wait: { ...wait, usualMinutes: Math.min(43_200, minutes) } })}
						>
							State {hoursWords(minutes / 60)}
						</button>
					</>
				)}
			</p>
			<CheckField
				label="The stated minutes hold in any room"
				value={wait.isByHand ?? false}
				onChange={(isByHand) => {
					const { isByHand: _, ...rest } = wait
					onChange({ ...need, wait: isByHand ? { ...rest, isByHand } : rest })
				}}
			/>
		</>
	)
}

function reckonedWords(hours: ReturnType<typeof reckonUsualWait>): string {
	if (hours === undefined) return 'Nothing can be reckoned of it: the stated minutes hold.'
	if (hours === 'never') return 'In an ordinary room it never gets there: see the review.'
	return `Reckoned for an ordinary room: ${hoursRange(hours.p50, hours.p90)}.`
}

/** The need with values set, or taken away where they are undefined. */
function optional(need: Need, change: { [K in keyof Need]?: Need[K] | undefined }): Need {
	const entries = Object.entries({ ...need, ...change }).filter(([, value]) => value !== undefined)
	return { after: need.after, ...Object.fromEntries(entries) }
}

function followersOf({ steps }: Design, id: string): Set<string> {
	const found = new Set<string>()
	const queue = [id]
	for (let current = queue.pop(); current !== undefined; current = queue.pop()) {
		for (const step of steps) {
			if (found.has(step.id) || !step.needs.some(({ after }) => after === current)) continue
			found.add(step.id)
			queue.push(step.id)
		}
	}
	return found
}
