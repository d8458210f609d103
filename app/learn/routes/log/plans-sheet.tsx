import { Button } from 'antd'
import { Form } from 'react-router'
import { longDay } from '../../../shared/words/times'

/** Whether plans go by what was learnt: by a press, and no plan changes by itself. */
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
					its own.
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
		</section>
	)
}
