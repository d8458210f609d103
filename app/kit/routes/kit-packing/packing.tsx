import { Button, Checkbox, Progress } from 'antd'
import { useSearchParams, useRevalidator } from 'react-router'
import type { PackingLine } from '../../../../core/kit/packing-lines'
import { LinkButton } from '../../../shared/components/link-button'
import { amountWords } from '../../../shared/words/amounts'
import { count } from '../../../shared/words/times'
import { SeatPicker } from '../../components/seat-picker'
import type { PackingData } from './load-packing.server'
import { useTicks } from './use-ticks'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'

type Seat = PackingData['seats'][number]

/** The bags, how far they are packed, and a tick for every line. */
export function Packing({
	data: { state, ticks, seats, lines, units },
	isAlive,
}: {
	data: PackingData
	isAlive: boolean
}) {
	const { amountOf, toggle, clear, isStuck } = useTicks(state.courseId, ticks, isAlive)
	const [search] = useSearchParams()
	const chosen = seats.find(({ number }) => String(number) === search.get('bag')) ?? seats[0]
	const inBag = (number: number) => lines.filter(({ amounts }) => (amounts[number] ?? 0) > 0)
	const isPacked = (number: number, { key, amounts }: PackingLine) =>
		amountOf({ seat: number, line: key }) === (amounts[number] ?? 0)
	const leftIn = (number: number) => inBag(number).filter((line) => !isPacked(number, line)).length
	const total = seats.reduce((sum, { number }) => sum + inBag(number).length, 0)
	const left = seats.reduce((sum, { number }) => sum + leftIn(number), 0)
	const bags = seats.filter(({ number }) => number > 0)
	if (!chosen) return null
	const next = seats.find(({ number }) => number === chosen.number + 1)
	return (
		<>
			<PackingHead done={total - left} total={total} isStuck={isStuck} onUnpack={clear} />
			<nav className="kit-views no-print" aria-label="Bags">
				<SeatPicker
					label="Bag"
					options={seats.map(({ number, name }) => ({
						to: `?bag=${number}`,
						label: `${name} ${leftIn(number) === 0 ? '✓' : leftIn(number)}`,
						isCurrent: number === chosen.number,
					}))}
				/>
			</nav>
			<section className="sheet" aria-labelledby="bag">
				<h2 id="bag">{chosen.name}</h2>
				<ul className="packing-list">
					{inBag(chosen.number).map((line) => (
						<BagLine
							key={line.key}
							line={line}
							amount={line.amounts[chosen.number] ?? 0}
							packed={amountOf({ seat: chosen.number, line: line.key })}
							units={units}
							onTick={(is) => toggle(ticksOf(line, [chosen]), is)}
							onTickAll={() => toggle(ticksOf(line, bags), true)}
						/>
					))}
				</ul>
				{next && (
					<p className="no-print">
						<LinkButton to={`?bag=${next.number}`} replace preventScrollReset>
							Next bag: {next.name}
						</LinkButton>
					</p>
				)}
				<p className="soft small">{count(inBag(chosen.number).length, 'line')} in this bag.</p>
			</section>
		</>
	)
}

/** A line in the bags that have something of it. */
function ticksOf({ key, amounts }: PackingLine, seats: readonly Seat[]) {
	return seats
		.map(({ number }) => ({ seat: number, line: key, amount: amounts[number] ?? 0 }))
		.filter(({ amount }) => amount > 0)
}

function PackingHead({
	done,
	total,
	isStuck,
	onUnpack,
}: {
	done: number
	total: number
	isStuck: boolean
	onUnpack: () => Promise<void>
}) {
	return (
		<section className="sheet packing-head" aria-label="How far packing is">
			<p className="packing-sum" role="status">
				{done === total ? 'All is packed.' : `${done} of ${total} packed`}
			</p>
			<Progress
				percent={Math.round((100 * done) / Math.max(1, total))}
				showInfo={false}
				strokeWidth={14}
				aria-label="Packed"
			/>
			{isStuck && <p className="alert">No connection: your ticks are kept on this device and sent when it is back.</p>}
			{done > 0 && <UnpackAll onUnpack={onUnpack} />}
		</section>
	)
}

/** One thing for a bag, with its tick. */
function BagLine({
	line,
	amount,
	packed,
	units,
	onTick,
	onTickAll,
}: {
	line: PackingLine
	amount: number
	packed: number | undefined
	units: PackingData['units']
	onTick: (is: boolean) => void
	onTickAll: () => void
}) {
	const isDone = packed === amount
	return (
		<li>
			<Checkbox
				className={isDone ? 'is-packed' : ''}
				checked={isDone}
				onChange={({ target }) => onTick(target.checked)}
			>
				<b>{amountWords(amount, line.unit, units)}</b>
				<span>
					{line.name} <span className="soft">{line.detail}</span>
					{packed !== undefined && !isDone && (
						<span className="packing-changed"> packed {amountWords(packed, line.unit, units)}: changed since</span>
					)}
				</span>
			</Checkbox>
			<Button type="link" className="packing-all no-print" onClick={onTickAll}>
				<span>
					into all bags<span className="hidden-words">: {line.name}</span>
				</span>
			</Button>
		</li>
	)
}

function UnpackAll({ onUnpack }: { onUnpack: () => Promise<void> }) {
	const askBeforeLoss = useAskBeforeLoss()
	const { revalidate } = useRevalidator()
	const ask = () =>
		askBeforeLoss({
			title: 'Unpack everything?',
			content: 'Every tick of this course is taken away.',
			doIt: 'Unpack',
			keep: 'Keep the ticks',
			onDo: async () => {
				await onUnpack()
				await revalidate()
			},
		})
	return (
		<Button className="no-print" onClick={ask}>
			Begin again
		</Button>
	)
}
