import type { PartWire } from '../../../../core/design/design'
import { MAX_GAUGE, MIN_GAUGE, wireDiameterMm, type GaugeStandard } from '../../../../core/materials/wire-gauge'
import { CheckField, NumberField, SelectField, TextField, wordOptions } from '../../../shared/components/fields/fields'

interface WireFieldsProps {
	wire: PartWire | undefined
	standard: GaugeStandard
	label: string
	onChange: (wire: PartWire | undefined) => void
}

const METHODS = ['grooved board', 'rolled rib', 'pinched thread', 'hooked'] as const
const USUAL: PartWire = { gauge: 28, lengthMm: 90, colour: 'white', insertedFraction: 0.4 }

/** A wire, or none. */
export function WireFields({ wire, standard, label, onChange }: WireFieldsProps) {
	const set = (values: Partial<PartWire>) => wire && onChange({ ...wire, ...values })
	return (
		<>
			<CheckField
				label={label}
				value={wire !== undefined}
				onChange={(isWired) => onChange(isWired ? USUAL : undefined)}
			/>
			{wire && (
				<div className="field-row">
					<NumberField
						label={`Gauge (${wireDiameterMm(wire.gauge, standard).toFixed(2)} mm)`}
						value={wire.gauge}
						min={MIN_GAUGE}
						max={MAX_GAUGE}
						isWhole
						onChange={(gauge) => set({ gauge })}
					/>
					<NumberField
						label="Long, mm"
						value={wire.lengthMm}
						min={5}
						max={1000}
						step={5}
						isWhole
						onChange={(lengthMm) => set({ lengthMm })}
					/>
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
						label="Goes in, %"
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
							label="Rib reaches, %"
							value={Math.round((wire.ribFraction ?? 0.66) * 100)}
							min={5}
							max={100}
							step={5}
							onChange={(percent) => set({ ribFraction: percent / 100 })}
						/>
					)}
				</div>
			)}
		</>
	)
}
