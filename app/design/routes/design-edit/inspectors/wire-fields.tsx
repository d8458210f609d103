import type { Design, Part, PartWire } from '../../../../../core/design/design'
import { withValues } from '../../../../../core/design/edits/conditions'
import { MAX_GAUGE, MIN_GAUGE, wireDiameterMm, type GaugeStandard } from '../../../../../core/materials/wire-gauge'
import { CheckField } from '../../../../shared/components/fields/check-fields'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { More } from './more'

interface WireFieldsProps {
	wire: PartWire | undefined
	standard: GaugeStandard
	label: string
	design: Design
	/** Of the pieces that it is for; absent: of a bundle. */
	partId?: string
	onChange: (wire: PartWire | undefined) => void
}

const METHODS = ['grooved board', 'rolled rib', 'pinched thread', 'hooked'] as const
const USUAL: PartWire = { gauge: 28, lengthMm: 90, colour: 'white', insertedFraction: 0.4 }
const USUAL_RIB = 0.66

/** A wire, or none: its gauge and length, and closed how it is put in. */
export function WireFields({ wire, standard, label, design, partId, onChange }: WireFieldsProps) {
	return (
		<>
			<div className="field-row wire-row">
				<CheckField
					label={label}
					value={wire !== undefined}
					onChange={(isWired) => onChange(isWired ? USUAL : undefined)}
				/>
				{wire && (
					<>
						<NumberField
							label={`Gauge (${wireDiameterMm(wire.gauge, standard).toFixed(2)} mm)`}
							value={wire.gauge}
							min={MIN_GAUGE}
							max={MAX_GAUGE}
							isWhole
							onChange={(gauge) => onChange({ ...wire, gauge })}
						/>
						<NumberField
							label="Wire long"
							unit="mm"
							value={wire.lengthMm}
							min={5}
							max={1000}
							step={5}
							isWhole
							onChange={(lengthMm) => onChange({ ...wire, lengthMm })}
						/>
					</>
				)}
			</div>
			{wire && (
				<More
					label={`The wire: ${wire.colour}, ${wire.method ?? METHODS[0]}, ${Math.round(wire.insertedFraction * 100)} % in`}
				>
					<WireDetails wire={wire} onChange={onChange} />
					<OffcutFields wire={wire} design={design} partId={partId} onChange={onChange} />
				</More>
			)}
		</>
	)
}

function WireDetails({ wire, onChange }: { wire: PartWire; onChange: (wire: PartWire) => void }) {
	const set = (values: Partial<PartWire>) => onChange({ ...wire, ...values })
	return (
		<div className="field-row">
			<NumberField
				label="Wires a piece"
				value={wire.perPiece ?? 1}
				min={1}
				max={6}
				isWhole
				onChange={(perPiece) => set({ perPiece })}
			/>
			<TextField
				label="Its colour"
				value={wire.colour}
				maxLength={40}
				onChange={(colour) => set({ colour: colour || 'white' })}
			/>
			<NumberField
				label="Goes in"
				unit="%"
				value={Math.round(wire.insertedFraction * 100)}
				min={0}
				max={100}
				step={5}
				onChange={(percent) => set({ insertedFraction: percent / 100 })}
			/>
			<SelectField
				label="Way of wiring"
				value={wire.method ?? METHODS[0]}
				options={wordOptions(METHODS)}
				onChange={(method) => set({ method })}
			/>
			{wire.method === 'rolled rib' && (
				<NumberField
					label="Rib reaches"
					unit="%"
					value={Math.round((wire.ribFraction ?? USUAL_RIB) * 100)}
					min={5}
					max={100}
					step={5}
					onChange={(percent) => set({ ribFraction: percent / 100 })}
				/>
			)}
		</div>
	)
}

interface OffcutFieldsProps {
	wire: PartWire
	design: Design
	partId: string | undefined
	onChange: (wire: PartWire) => void
}

/** What it is trimmed to and when, and whose off-cuts it is cut from. */
function OffcutFields({ wire, design, partId, onChange }: OffcutFieldsProps) {
	const set = (values: { [K in keyof PartWire]?: PartWire[K] | undefined }) => onChange(withValues(wire, values))
	const trimming = design.parts.filter(
		({ id, ...part }) => id !== partId && wiresOf(part).some(({ trimmedToMm }) => trimmedToMm !== undefined),
	)
	const steps = design.steps.filter(({ part }) => part === partId || part === undefined)
	return (
		<div className="field-row">
			<NumberField
				label="Trimmed to"
				unit="mm"
				value={wire.trimmedToMm ?? wire.lengthMm}
				min={5}
				max={wire.lengthMm}
				step={5}
				isWhole
				onChange={(mm) =>
					set(mm < wire.lengthMm ? { trimmedToMm: mm } : { trimmedToMm: undefined, trimmedIn: undefined })
				}
			/>
			{wire.trimmedToMm !== undefined && (
				<SelectField
					label="Trimmed in"
					value={wire.trimmedIn ?? ''}
					options={[{ value: '', label: 'its first step' }, ...steps.map(({ id, label }) => ({ value: id, label }))]}
					onChange={(trimmedIn) => set({ trimmedIn: trimmedIn || undefined })}
				/>
			)}
			{(trimming.length > 0 || wire.fromOffcutsOf !== undefined) && (
				<SelectField
					label="Cut from"
					value={wire.fromOffcutsOf ?? ''}
					options={[
						{ value: '', label: 'stock' },
						...trimming.map(({ id, name }) => ({ value: id, label: `off-cuts of ${name}` })),
					]}
					onChange={(from) => set({ fromOffcutsOf: from || undefined })}
				/>
			)}
		</div>
	)
}

function wiresOf({ wire, sizes = [] }: Pick<Part, 'wire' | 'sizes'>): PartWire[] {
	return [wire, ...sizes.map((size) => size.wire)].flatMap((one) => one ?? [])
}
