import { App, Button, Checkbox, Progress } from 'antd'
import { Link, useSearchParams, useRevalidator } from 'react-router'
import type { PackingLine } from '../../../../core/kit/packing-lines'
import { LinkButton } from '../../../shared/components/link-button'
import { amountWords } from '../../../shared/words/amounts'
import { count } from '../../../shared/words/times'
import type { PackingData } from './load-packing.server'
import { useTicks } from './use-ticks'

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
	const seat = seats.find(({ number }) => String(number) === search.get('bag'))?.number ?? 1
	const inBag = (number: number) => lines.filter(({ amounts }) => (amounts[number] ?? 0) > 0)
	const isPacked = (number: number, { key, amounts }: PackingLine) =>
		amountOf({ seat: number, line: key }) === (amounts[number] ?? 0)
	const packedIn = (number: number) => inBag(number).filter((line) => isPacked(number, line)).length
	const total = seats.reduce((sum, { number }) => sum + inBag(number).length, 0)
	const done = seats.reduce((sum, { number }) => sum + packedIn(number), 0)
	return (
		<>
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
				{isStuck && (
					<p className="alert">No connection: your ticks are kept on this device and sent when it is back.</p>
				)}
				{done > 0 && <UnpackAll onUnpack={clear} />}
			</section>
			<nav className="kit-views no-print" aria-label="Bags">
				{seats.map(({ number, name }) => {
					const left = inBag(number).length - packedIn(number)
					return (
						<Link
							key={number}
							className="option-link"
							to={`?bag=${number}`}
							replace
							preventScrollReset
							aria-current={number === seat ? 'true' : undefined}
						>
							{name} {left === 0 ? '✓' : left}
						</Link>
					)
				})}
			</nav>
			<section className="sheet" aria-labelledby="bag">
				<h2 id="bag">{seats.find(({ number }) => number === seat)?.name}</h2>
				<ul className="packing-list">
					{inBag(seat).map((line) => {
						const amount = line.amounts[seat] ?? 0
						const packed = amountOf({ seat, line: line.key })
						const isDone = packed === amount
						return (
							<li key={line.key}>
								<Checkbox
									className={isDone ? 'is-packed' : ''}
									checked={isDone}
									onChange={({ target }) => toggle([{ seat, line: line.key, amount }], target.checked)}
								>
									<b>{amountWords(amount, line.unit, units)}</b>
									<span>
										{line.name} <span className="soft">{line.detail}</span>
										{packed !== undefined && !isDone && (
											<span className="packing-changed">
												{' '}
												packed {amountWords(packed, line.unit, units)}: changed since
											</span>
										)}
									</span>
								</Checkbox>
								<Button
									type="link"
									className="packing-all no-print"
									onClick={() =>
										toggle(
											seats
												.filter(({ number }) => number > 0 && (line.amounts[number] ?? 0) > 0)
												.map(({ number }) => ({ seat: number, line: line.key, amount: line.amounts[number] ?? 0 })),
											true,
										)
									}
								>
									into all bags<span className="packing-hidden">: {line.name}</span>
								</Button>
							</li>
						)
					})}
				</ul>
				{seat < seats.length - 1 && (
					<p className="no-print">
						<LinkButton to={`?bag=${seat + 1}`} replace preventScrollReset>
							Next bag: {seats[seat + 1]?.name}
						</LinkButton>
					</p>
				)}
				<p className="soft small">{count(inBag(seat).length, 'line')} in this bag.</p>
			</section>
		</>
	)
}

function UnpackAll({ onUnpack }: { onUnpack: () => Promise<void> }) {
	const { modal } = App.useApp()
	const { revalidate } = useRevalidator()
	const ask = () =>
		modal.confirm({
			title: 'Unpack everything?',
			content: 'Every tick of this course is taken away.',
			okText: 'Unpack',
			okButtonProps: { danger: true },
			cancelText: 'Keep the ticks',
			autoFocusButton: 'cancel',
			onOk: async () => {
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
