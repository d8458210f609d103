import { Button } from 'antd'
import { Form } from 'react-router'
import { termWords } from '../../words/terms'
import { useHands } from './hands/hands-context'
import type { PlanData } from './load-plan.server'

/** What has changed since the plan was made, and what would: it is shown as it was until she wants another. */
export function OutdatedNotice({ plan: { changed, version, planId } }: { plan: PlanData }) {
	const hands = useHands()
	return (
		<Form method="post" className="alert row no-print" role="status">
			<span>
				Since this plan was made {changed.map(termWords).join(', ')} {changed.length > 1 ? 'have' : 'has'} changed. It
				is shown as it was.
			</span>
			<input type="hidden" name="version" value={version} />
			<input type="hidden" name="planId" value={planId} />
			{hands && <Button onClick={() => hands.edit({ kind: 'anew' })}>See what would change</Button>}
			<Button htmlType="submit" name="intent" value="plan-anew">
				Plan anew
			</Button>
		</Form>
	)
}
