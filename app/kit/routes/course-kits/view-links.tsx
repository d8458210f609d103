import type { Exchange } from '../../../../core/kit/exchanges'
import type { Seat } from '../../../../core/kit/student'
import type { KitView } from '../../schemas/kit-view'
import { OptionLink } from '../../../shared/components/option-link'
import { seatName } from '../../words/kits'

interface ViewLinksProps {
	view: KitView
	seats: readonly Seat[]
	exchanges: readonly Exchange[]
}

/** Whose kit: a student's, the class's, or a table's. Whoever has an exchange is marked. */
export function ViewLinks({ view, seats, exchanges }: ViewLinksProps) {
	const link = (to: string, label: string, isCurrent: boolean) => (
		<OptionLink to={to} isCurrent={isCurrent}>
			{label}
		</OptionLink>
	)
	return (
		<nav className="kit-views no-print" aria-label="Whose kit">
			{link('?view=class', 'The whole class', view.type === 'class')}
			{link('?view=tables&table=4', 'By table', view.type === 'tables')}
			{seats.map((seat) => (
				<span key={seat.number}>
					{link(
						`?seat=${seat.number}`,
						seatName(seat) + (exchanges.some(({ seatNumber }) => seatNumber === seat.number) ? ' ⇄' : ''),
						view.type === 'seat' && view.seat === seat.number,
					)}
				</span>
			))}
		</nav>
	)
}
