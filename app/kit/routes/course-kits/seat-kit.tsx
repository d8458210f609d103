import { amountOfSeat } from '../../../../core/kit/bill'
import { isShared } from '../../../../core/kit/tool-needs'
import type { ClassKit } from '../../../../core/kit/class-kit'
import { allergensOfKit } from '../../../../core/kit/kit-allergens'
import type { Seat } from '../../../../core/kit/student'
import type { UnitSystem } from '../../../../core/materials/units'
import { Why } from '../../../shared/components/why/why'
import { amountWords, lengthWords } from '../../../shared/words/amounts'
import {
	exchangeWords,
	needsWords,
	pasteSourceWords,
	seatName,
	studentWords,
	supplySourceWords,
} from '../../words/kits'
import { describeForm } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

export type ShownKit = Omit<ClassKit, 'sheets'>

interface SeatKitProps {
	kit: ShownKit
	seat: Seat
	units: UnitSystem
	spareWords: string
	/** What left-handers do otherwise, by the name of the step. */
	leftHanders: readonly { label: string; sentence: string }[]
}

/** Everything in the kit of one student. */
export function SeatKit({ kit, seat, units, spareWords, leftHanders }: SeatKitProps) {
	const of = (shares: { kits: number[] }) => amountOfSeat(shares, seat.number - 1)
	const pieces = kit.lines.reduce((sum, { shares }) => sum + of(shares), 0)
	const pasteMg = kit.paste.reduce((sum, { handOut }) => sum + of(handOut), 0)
	const wires = kit.wires.flatMap(({ lines }) => lines).reduce((sum, { shares }) => sum + of(shares), 0)
	const special = seat.student ? studentWords(seat.student) : []
	return (
		<section className="sheet seat-kit" aria-labelledby="seat-head">
			<div className="row">
				<h2 id="seat-head">{seatName(seat)}</h2>
				{special.length > 0 && <span className="soft">{special.join(', ')}</span>}
			</div>
			<p className="kit-figures">
				<b>{count(pieces, 'piece')}</b>
				{pasteMg > 0 && <b>{amountWords(pasteMg, 'mg', units)} of paste</b>}
				{wires > 0 && <b>{count(wires, 'wire')}</b>}
			</p>
			<SeatNotices kit={kit} seat={seat} leftHanders={leftHanders} />
			<div className="kit-columns">
				<Pieces kit={kit} of={of} spareWords={spareWords} />
				<PasteAndWires kit={kit} of={of} units={units} />
				<SuppliesAndTools kit={kit} of={of} units={units} />
			</div>
		</section>
	)
}

/** How much of something this student gets. */
type AmountOf = (shares: { kits: number[] }) => number

/** What differs for her: exchanges, her hand, her age, her notes, and what is in the kit that she must know of. */
function SeatNotices({
	kit,
	seat: { number, student },
	leftHanders,
}: Pick<SeatKitProps, 'kit' | 'seat' | 'leftHanders'>) {
	const allergens = allergensOfKit(kit, number)
	const exchanges = kit.exchanges.filter(({ seatNumber }) => seatNumber === number)
	return (
		<>
			{exchanges.map((exchange, e) => (
				<p key={e} className={exchange.instead ? 'kit-exchange' : 'alert'}>
					⇄ {exchangeWords(exchange)}
				</p>
			))}
			{student?.isLeftHanded && (
				<p className="kit-exchange">
					Left-handed: scissors for the left hand, a place at the left end of the table, and every turn shown the other
					way round.
					{leftHanders.map(({ label, sentence }) => (
						<span key={label} className="kit-left-hander">
							<b>{label}:</b> {sentence}
						</span>
					))}
				</p>
			)}
			{student?.isChild && kit.wires.length > 0 && (
				<p className="alert">
					Child: this design has wires, and nothing takes their place. Choose an unwired way, or an adult works with
					them.
				</p>
			)}
			{student?.notes && <p className="kit-exchange">{student.notes}</p>}
			<p>
				<b>In this kit:</b>{' '}
				{allergens.length === 0
					? 'no allergen known'
					: allergens.map(({ allergen, sources }) => `${allergen} (${sources.join(', ')})`).join('; ')}
				<span className="soft small"> Labels have the last word.</span>
			</p>
		</>
	)
}

function Pieces({ kit, of, spareWords }: Pick<SeatKitProps, 'kit' | 'spareWords'> & { of: AmountOf }) {
	return (
		<div>
			<h3>Pieces</h3>
			<ul className="kit-list">
				{kit.lines.map(({ designId, part, shares, needed, isMadeAhead }) => (
					<li key={`${designId} ${part.id}`} className={`tint-${part.tint}`}>
						<b>{of(shares)}</b>
						<span>
							{part.name}
							<span className="soft small">
								{describeForm(part.form)}
								{of(shares) > needed && `; ${of(shares) - needed} spare`}
								{isMadeAhead && '; handed out finished'}
							</span>
						</span>
					</li>
				))}
			</ul>
			<p className="soft small">Spares so that there are enough {spareWords}.</p>
		</div>
	)
}

function PasteAndWires({ kit, of, units }: Pick<SeatKitProps, 'kit' | 'units'> & { of: AmountOf }) {
	const wires = kit.wires.flatMap(({ gauge, colour, lines }) =>
		lines.filter(({ shares }) => of(shares) > 0).map((line) => ({ gauge, colour, ...line })),
	)
	return (
		<div>
			<h3>Paste, weighed out</h3>
			<ul className="kit-list">
				{kit.paste
					.filter(({ shares }) => of(shares) > 0)
					.map(({ item, shares, handOut, sources }) => (
						<li key={item.key}>
							<Why
								reasons={[...sources.map((source) => pasteSourceWords(source, units)), needsWords(of(shares), units)]}
							>
								{amountWords(of(handOut), 'mg', units)}
							</Why>
							<span>
								{item.colour}
								<span className="soft small">{item.paste}</span>
							</span>
						</li>
					))}
			</ul>
			<h3>Wires, cut</h3>
			<ul className="kit-list">
				{wires.map(({ gauge, colour, designName, partName, lengthMm, shares }) => (
					<li key={`${gauge} ${colour} ${designName} ${partName}`}>
						<b>{of(shares)}</b>
						<span>
							{lengthWords(lengthMm, units)}, {gauge} gauge {colour}
							<span className="soft small">{partName}</span>
						</span>
					</li>
				))}
			</ul>
			{kit.wires.length === 0 && <p className="soft">None.</p>}
		</div>
	)
}

function SuppliesAndTools({ kit, of, units }: Pick<SeatKitProps, 'kit' | 'units'> & { of: AmountOf }) {
	const own = kit.tools.filter(({ ownedCount, studentCount }) => ownedCount === undefined || ownedCount >= studentCount)
	return (
		<div>
			<h3>With it</h3>
			<ul className="kit-list">
				{kit.supplies
					.filter(({ shares }) => of(shares) > 0)
					.map(({ item, shares, sources }) => (
						<li key={item.key}>
							<Why reasons={sources.map((source) => supplySourceWords(source, item.unit, units))}>
								{amountWords(of(shares), item.unit, units)}
							</Why>
							<span>{item.name}</span>
						</li>
					))}
			</ul>
			<h3>Tools at the place</h3>
			<p>{own.map(({ tool }) => tool).join(', ') || 'none'}</p>
			<SharedTools kit={kit} />
		</div>
	)
}

function SharedTools({ kit }: { kit: ShownKit }) {
	const shared = kit.tools.filter(isShared)
	if (shared.length === 0) return null
	return (
		<>
			<h3>Shared</h3>
			<p>{shared.map(({ tool, ownedCount }) => `${ownedCount} × ${tool}`).join(', ')}</p>
		</>
	)
}
