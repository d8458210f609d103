import { Button } from 'antd'
import { useEffect } from 'react'
import { Form, Link, useFetcher } from 'react-router'
import type { TriedWay, WayOut } from '../../../../core/plan/ways-out/way-out'
import { duration, shortDay, wait } from '../../../shared/words/times'
import { Disclosure } from '../../../shared/native/disclosure'
import type { PlanData } from './load-plan.server'
import { nameOfTask } from '../../words/tasks'

/** What would make the course fit: each was tried before it is offered. Single changes come first, sets of them behind. */
export function WaysOut({ plan }: { plan: PlanData }) {
	const alone = useFetcher<{ ways: TriedWay[] }>()
	const together = useFetcher<{ ways: TriedWay[] }>()
	const { courseId, planId } = plan
	const [loadAlone, loadTogether] = [alone.load, together.load]
	useEffect(() => {
		const address = `/courses/${courseId}/plan/ways-out`
		void loadAlone(`${address}?alone`).then(() => loadTogether(address))
	}, [loadAlone, loadTogether, courseId, planId])
	const isDone = together.data !== undefined && together.state === 'idle'
	const data = isDone ? together.data : alone.state === 'idle' ? alone.data : undefined
	if (!data) return <p className="small">Trying what would help…</p>
	const fitting = data.ways.filter(({ verdict }) => verdict === 'fits')
	const others = data.ways.filter(({ verdict }) => verdict !== 'fits')
	const isOpen = others.some(({ verdict }) => verdict === 'not decided')
	return (
		<>
			<h3>{headOf(fitting.length, isOpen || !isDone)}</h3>
			{fitting.length > 0 && (
				<ul className="ways-out">
					{fitting.map(({ ways, objective }) => (
						<li key={ways.map(wayWords).join()}>
							<span>
								<b>{allWords(ways)}</b>
								{(objective?.prepMinutes ?? 0) > 0 &&
									`, with about ${duration(objective?.prepMinutes ?? 0)} of your time before`}
							</span>
							<WayActions ways={ways} plan={plan} />
						</li>
					))}
				</ul>
			)}
			{!isDone && (
				<p className="small" role="status">
					Looking for what helps together…
				</p>
			)}
			{others.length > 0 && (
				<Disclosure className="small" head={`${others.length} more were tried, and do not help alone`}>
					{others
						.map(
							({ ways, verdict }) =>
								`${allWords(ways)}: ${verdict === 'does not fit' ? 'still does not fit' : 'no plan found in time'}`,
						)
						.join('; ')}
					.
				</Disclosure>
			)}
		</>
	)
}

function headOf(fitting: number, isOpen: boolean): string {
	if (fitting > 0) return 'What would make it fit, each tried'
	return isOpen ? 'Nothing that makes it fit has been found yet' : 'None of what was tried makes it fit'
}

/** One press for each kind of change: where several parts are to be allowed, one link is enough. */
function WayActions({ ways, plan }: { ways: readonly WayOut[]; plan: PlanData }) {
	const isInDesign = ({ kind }: WayOut) => kind === 'swap' || kind === 'ahead'
	const [firstInDesign] = ways.filter(isInDesign)
	return (
		<>
			{ways.map((way) =>
				isInDesign(way) && way !== firstInDesign ? null : <WayAction key={wayWords(way)} way={way} plan={plan} />,
			)}
		</>
	)
}

function WayAction({ way, plan }: { way: WayOut; plan: PlanData }) {
	switch (way.kind) {
		case 'settled':
			return (
				<WayForm plan={plan} intent="set-wait" fields={{ key: way.key, minutes: way.minutes }} label="Wait so long" />
			)
		case 'session':
			return <WayForm plan={plan} intent="add-session" label="Add it" />
		case 'longer':
			return <WayForm plan={plan} intent="end-later" fields={{ minutes: way.minutes }} label="End later" />
		case 'smaller':
			return (
				<WayForm
					plan={plan}
					intent="fewer-flowers"
					fields={{ design: way.design, flowers: way.flowers }}
					label="Make fewer"
				/>
			)
		case 'option': {
			const { item, choice, option } = way
			return <WayForm plan={plan} intent="take-option" fields={{ item, choice, option }} label="Make it so" />
		}
		case 'drier':
			return <Link to="/rooms">Rooms and stores</Link>
		case 'swap':
		case 'ahead':
			return <Link to="/designs">Allow it in the design</Link>
	}
}

function WayForm({
	plan,
	intent,
	fields = {},
	label,
}: {
	plan: PlanData
	intent: string
	fields?: Record<string, number | string>
	label: string
}) {
	return (
		<Form method="post">
			<input type="hidden" name="version" value={plan.version} />
			{Object.entries(fields).map(([name, value]) => (
				<input key={name} type="hidden" name={name} value={value} />
			))}
			<Button type="primary" htmlType="submit" name="intent" value={intent}>
				{label}
			</Button>
		</Form>
	)
}

/** 'Bring “petals: cup” dry; and make the leaves of the magnolia ahead'. */
function allWords(ways: readonly WayOut[]): string {
	const [first = '', ...more] = ways.map(wayWords)
	return [first, ...more.map((words) => words.charAt(0).toLowerCase() + words.slice(1))].join('; and ')
}

function wayWords(way: WayOut): string {
	switch (way.kind) {
		case 'settled':
			return `Go on with “${nameOfTask(way.to)}” when “${nameOfTask(way.from)}” is as dry as it gets here, after ${wait(way.minutes)}: no marks, but soft inside`
		case 'session':
			return `One more session like the last, on ${shortDay(way.date)}`
		case 'longer':
			return `The last session ${duration(way.minutes)} longer`
		case 'swap':
			return `Bring “${nameOfTask(way.from)}” dry`
		case 'ahead':
			return `Make the ${way.partName.toLowerCase()} of the ${way.designName.toLowerCase()} ahead`
		case 'smaller':
			return `${way.flowers === 1 ? 'One flower' : `${way.flowers} flowers`} a student of ${way.designName}`
		case 'option':
			return `${way.designName}, ${way.choiceName.toLowerCase()}: ${way.optionName}`
		case 'drier':
			return `Air of ${way.humidityPercent} % and ${way.temperatureC} °C where you work and where the pieces lie`
	}
}
