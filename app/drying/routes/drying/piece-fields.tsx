import { Link } from 'react-router'
import type { BackFace } from '../../../../core/vocabulary/drying-stage'
import type { Paste } from '../../../../core/vocabulary/paste'
import { PASTE_TERMS } from '../../../../core/drying/paste-terms'
import { SelectField, wordOptions } from '../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../shared/components/fields/number-field'
import { Disclosure } from '../../../shared/native/disclosure'
import { SHAPES, toDryingLink } from '../../drying-address'
import { BACK_WORDS } from '../../words/drying'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'

const PASTES = wordOptions<string>(Object.keys(PASTE_TERMS))
const BACKS = Object.entries(BACK_WORDS).map(([value, label]) => ({ value: value as BackFace, label }))
const GAUGES = [0, 18, 20, 22, 24, 26, 28, 30, 32, 33].map((gauge) => ({
	value: String(gauge),
	label: gauge === 0 ? 'none' : String(gauge),
}))

/** What dries: taken from a design, or described here. */
export function PieceFields({ drying, data }: { drying: Drying; data: DryingData }) {
	const { address, change } = drying
	return (
		<fieldset className="drying-fields">
			<legend>What</legend>
			<FromDesign drying={drying} data={data} />
			<SelectField
				label="Shape"
				name="shape"
				value={address.shape}
				options={wordOptions(SHAPES)}
				onChange={(value) => change({ shape: value, what: undefined })}
			/>
			{address.shape === 'sheet' ? <SheetFields drying={drying} /> : <BodyFields drying={drying} />}
			<PasteField drying={drying} data={data} />
		</fieldset>
	)
}

interface PieceFieldProps {
	drying: Drying
}

function SheetFields({ drying: { address, change, problemOf } }: PieceFieldProps) {
	return (
		<>
			<NumberField
				label="Thickness"
				unit="mm"
				name="thickness"
				value={address.thickness}
				min={0.2}
				max={12}
				step={0.1}
				hasSlider
				problem={problemOf('thickness')}
				onChange={(thickness) => change({ thickness })}
			/>
			<SelectField
				label="Its back"
				name="back"
				value={address.back}
				options={BACKS}
				onChange={(back) => change({ back })}
			/>
			<Disclosure head="Turned or taken off on the way" isOpen={address.turn > 0 || address.off > 0}>
				<NumberField
					label="Turned over after (0: not)"
					unit="h"
					name="turn"
					value={address.turn}
					min={0}
					max={200}
					step={0.5}
					problem={problemOf('turn')}
					onChange={(turn) => change({ turn, ...(turn > 0 && { off: 0 }) })}
				/>
				<NumberField
					label="Taken off its former after (0: not)"
					unit="h"
					name="off"
					value={address.off}
					min={0}
					max={200}
					step={0.5}
					problem={problemOf('off')}
					onChange={(off) => change({ off, ...(off > 0 && { turn: 0 }) })}
				/>
			</Disclosure>
		</>
	)
}

function BodyFields({ drying: { address, change, problemOf } }: PieceFieldProps) {
	const { shape } = address
	if (shape === 'moulded') {
		return (
			<NumberField
				label="Weight"
				unit="g"
				name="mass"
				value={address.mass}
				min={0.2}
				max={500}
				step={0.5}
				problem={problemOf('mass')}
				onChange={(mass) => change({ mass })}
			/>
		)
	}
	return (
		<>
			<NumberField
				label="Thick"
				unit="mm"
				name="diameter"
				value={address.diameter}
				min={1}
				max={80}
				step={0.5}
				hasSlider
				problem={problemOf('diameter')}
				onChange={(diameter) => change({ diameter })}
			/>
			{(shape === 'cone' || shape === 'drop') && (
				<NumberField
					label="Long"
					unit="mm"
					name="length"
					value={address.length}
					min={1}
					max={300}
					problem={problemOf('length')}
					onChange={(length) => change({ length })}
				/>
			)}
			{shape === 'cylinder' && (
				<SelectField
					label="Round a wire of gauge"
					name="gauge"
					value={String(address.gauge)}
					options={GAUGES}
					onChange={(gauge) => change({ gauge: Number(gauge) })}
				/>
			)}
		</>
	)
}

function PasteField({ drying: { address, change }, data }: { drying: Drying; data: DryingData }) {
	const take = (value: string) => {
		const own = data.ownPastes.find(({ name }) => value === `own:${name}`)
		change(
			own
				? { paste: own.like, own: own.name, pace: own.paceFactor }
				: { paste: value as Paste, own: undefined, pace: 1 },
		)
	}
	return (
		<SelectField<string>
			label="Paste"
			name="paste"
			value={address.own ? `own:${address.own}` : address.paste}
			options={[...PASTES, ...data.ownPastes.map(({ name }) => ({ value: `own:${name}`, label: name }))]}
			onChange={take}
		/>
	)
}

function FromDesign({ drying, data }: { drying: Drying; data: DryingData }) {
	const { designs, design, pieces } = data
	const { address } = drying
	// The piece goes, the room and the times stay.
	const { room, temperature, humidity, air, start, moved, then, days, by, stage } = address
	const rest = { room, temperature, humidity, air, start, moved, then, days, by, stage }
	return (
		<Disclosure head={address.what ?? 'Take a piece from a design'} isOpen={design !== ''}>
			<div className="from-design-list">
				{design === ''
					? designs.map(({ slug, name }) => (
							<Link key={slug} to={`${toDryingLink(rest)}&design=${slug}`} preventScrollReset>
								{name}
							</Link>
						))
					: pieces.map(({ name, address: piece }) => (
							<Link key={name} to={toDryingLink({ ...rest, ...piece })} preventScrollReset>
								{name}
							</Link>
						))}
				{design !== '' && pieces.length === 0 && <span className="soft">Nothing of this design has to dry.</span>}
			</div>
		</Disclosure>
	)
}
