import type { Exchange } from '../../../../core/kit/exchanges'
import type { Seat } from '../../../../core/kit/student'
import { OptionLink } from '../../../shared/components/option-link'
import { SeatPicker } from '../../components/seat-picker'
import type { KitView } from '../../schemas/kit-view'
import { seatName } from '../../words/kits'

interface ViewLinksProps {
	view: KitView
	seats: readonly Seat[]
	exchanges: readonly Exchange[]
}

/** Whose kit: a student's, the class's, or a table's. Whoever has an exchange is marked. */
export function ViewLinks({ view, seats, exchanges }: ViewLinksProps) {
	const exchanged = new Set(exchanges.map(({ seatNumber }) => seatNumber))
	return (
		<nav className="kit-views no-print" aria-label="Whose kit">
			<OptionLink to="?view=class" isCurrent={view.type === 'class'}>
				The whole class
			</OptionLink>
			<OptionLink to="?view=tables&table=4" isCurrent={view.type === 'tables'}>
				By table
			</OptionLink>
			<SeatPicker
				label="One student"
				options={seats.map((seat) => ({
					to: `?seat=${seat.number}`,
					label: seatName(seat) + (exchanged.has(seat.number) ? ' ⇄' : ''),
					isCurrent: view.type === 'seat' && view.seat === seat.number,
				}))}
			/>
		</nav>
	)
}
