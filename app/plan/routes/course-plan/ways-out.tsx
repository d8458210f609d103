import { Button } from 'antd'
import { useEffect } from 'react'
import { Form, Link, useFetcher } from 'react-router'
import type { TriedWay, WayOut } from '../../../../core/plan/ways-out/ways-out'
import { duration, shortDay, wait } from '../../../shared/words/times'
import { Disclosure } from '../../../shared/native/disclosure'
import type { PlanData } from './load-plan.server'
import { nameOfTask } from '../../words/tasks'

/** What would make the course fit: each was tried before it is offered. */
export function WaysOut({ plan }: { plan: PlanData }) {
	const { data, state, load } = useFetcher<{ ways: TriedWay[] }>()
	const { courseId, planId } = plan
	useEffect(() => {
		void load(`/courses/${courseId}/plan/ways-out`)
	}, [load, courseId, planId])
	if (!data || state !== 'idle') return <p className="small">Trying what would help…</p>
	const fitting = data.ways.filter(({ verdict }) => verdict === 'fits')
	const others = data.ways.filter(({ verdict }) => verdict !== 'fits')
	return (
		<>
			<h3>{fitting.length > 0 ? 'What would make it fit, each tried' : 'None of what was tried makes it fit'}</h3>
			{fitting.length > 0 && (
				<ul className="ways-out">
					{fitting.map(({ way, objective }) => (
						<li key={wayWords(way)}>
							<span>
								<b>{wayWords(way)}</b>
								{(objective?.prepMinutes ?? 0) > 0 &&
									`, with about ${duration(objective?.prepMinutes ?? 0)} of your time before`}
							</span>
							<WayAction way={way} plan={plan} />
						</li>
					))}
				</ul>
			)}
			{others.length > 0 && (
				<Disclosure className="small" head={`${others.length} more were tried, and do not help`}>
					{others
						.map(
							({ way, verdict }) =>
								`${wayWords(way)}: ${verdict === 'does not fit' ? 'still does not fit' : 'not decided in time'}`,
						)
						.join('; ')}
					.
				</Disclosure>
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
		case 'drier':
			return `Air of ${way.humidityPercent} % and ${way.temperatureC} °C where you work and where the pieces lie`
	}
}
