import { Button } from 'antd'
import { Form, Link, useFetcher } from 'react-router'
import { longDay } from '../../../shared/words/times'
import type { Foreseen } from '../../foresee-changes.server'
import { changeWords, dearToolWords } from '../../words/changes'

/** Whether plans go by what was learnt: by a press, and no plan changes by itself; and what would become of each. */
export function PlansSheet({ since }: { since: string | undefined }) {
	return (
		<section className="sheet stack" aria-labelledby="log-plans">
			<h2 id="log-plans">In plans</h2>
			<p>
				{since === undefined
					? 'Plans go by the minutes that the designs state.'
					: `Plans go by what was learnt until ${longDay(since)}.`}{' '}
				<span className="soft">
					With another choice the plans of coming courses are outdated and say so; each is planned anew by a press of
					its own. Kits take the spares and the paste of their plan.
				</span>
			</p>
			<Form method="post" className="row">
				<Button type={since === undefined ? 'primary' : 'default'} htmlType="submit" name="intent" value="plan-with">
					{since === undefined ? 'Plan with what was learnt' : 'Take over what is learnt by now'}
				</Button>
				{since !== undefined && (
					<Button htmlType="submit" name="intent" value="plan-stated">
						Plan with what is stated
					</Button>
				)}
			</Form>
			<Changes />
		</section>
	)
}

/** What coming courses would become, planned with what is learnt by now; nothing is kept of it. */
function Changes() {
	const { load, state, data } = useFetcher<Foreseen>()
	return (
		<>
			<div className="row">
				<Button loading={state !== 'idle'} onClick={() => void load('/log/changes')}>
					What would it change?
				</Button>
				<span className="soft small">Coming courses are planned for a look; nothing is kept of it.</span>
			</div>
			<div role="status">
				{data && data.changes.length === 0 && <p>No course is to come.</p>}
				{data && data.changes.length > 0 && (
					<ul className="log-advice">
						{data.changes.map((own) => (
							<li key={own.courseId}>
								<Link to={`/courses/${own.courseId}/plan`}>{own.name}</Link> {changeWords(own)}
							</li>
						))}
						{data.dearest && (
							<li>
								<Link to={`/courses/${data.dearest.courseId}/kits/tools`}>{data.dearest.tool}</Link>{' '}
								{dearToolWords(data.dearest)}
							</li>
						)}
					</ul>
				)}
			</div>
		</>
	)
}
