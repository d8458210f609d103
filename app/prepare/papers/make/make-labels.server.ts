/** Stickers for the bags: whose, for what, what is in it, and what is special. */
import { amountOfSeat } from '../../../../core/kit/bill'
import { present } from '../../../../core/present'
import type { Studio } from '../../../../db/repositories/accounts.server'
import type { CurrentKit } from '../../../kit/read-kit.server'
import { amountWords } from '../../../shared/words/amounts'
import { seatName } from '../../../kit/words/kits'
import { count, shortDay } from '../../../shared/words/times'
import type { Label } from '../draw/draw-label-pdf.server'

/** One for each student, and one for the instructor's own. */
export function makeLabels({ units }: Studio, { kit, course }: CurrentKit): Label[] {
	if (!kit) return []
	const when = `${course.name}, ${shortDay(present(course.sessions[0], 'the first session').date)}`
	const of = (amounts: readonly { kits: number[] }[], s: number) =>
		amounts.reduce((sum, shares) => sum + amountOfSeat(shares, s), 0)
	const labels = kit.seats.map((seat, s): Label => {
		const pieces = of(
			kit.lines.map(({ shares }) => shares),
			s,
		)
		const wires = of(
			kit.wires.flatMap(({ lines }) => lines.map(({ shares }) => shares)),
			s,
		)
		const pastes = kit.paste
			.filter(({ shares }) => amountOfSeat(shares, s) > 0)
			.map(({ item, handOut }) => `${item.colour} ${amountWords(amountOfSeat(handOut, s), 'mg', units)}`)
		// What she may not have stands on her bag; why is nobody's business at the table.
		const exchanges = kit.exchanges.filter(({ seatNumber, instead }) => seatNumber === seat.number && instead)
		return {
			head: seatName(seat),
			lines: [
				when,
				`${count(pieces, 'piece')}${wires > 0 ? `, ${count(wires, 'wire')}` : ''}`,
				pastes.join(', '),
				...exchanges.map(({ instead }) => `With ${instead}`),
				...(seat.student?.isLeftHanded ? ['Left-handed'] : []),
				...(wires > 0 ? ['Wires are not food.'] : []),
			],
		}
	})
	return [...labels, { head: 'To show and to bring', lines: [when] }]
}
