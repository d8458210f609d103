import { Button } from 'antd'
import { Form } from 'react-router'
import { wallMomentAt } from '../../../../core/time/zone'
import { memberContext } from '../../../shared/http/contexts'
import { asRefusal, problemsByField } from '../../../shared/http/refusal'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { momentWords } from '../../../shared/words/times'
import { changeLeaving } from '../../change-leaving.server'
import { PlainText } from '../../../shared/components/fields/plain-fields'
import { leaveActions } from '../../forms.server'
import type { Route } from './+types/route'
import './leave.css'

export function meta() {
	return [{ title: 'Delete the studio · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const { name, leavingAt, timeZone } = context.get(memberContext).studio
	return { name, leaving: leavingAt && wallMomentAt(leavingAt.getTime(), timeZone) }
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => changeLeaving(context.get(memberContext), await readIntent(request, leaveActions)))
}

/** Deletes the studio with everything in it, after a week in which that can be taken back. */
export default function Leave({ loaderData: { name, leaving }, actionData }: Route.ComponentProps) {
	const problemOf = problemsByField(asRefusal(actionData)?.problems ?? [])
	return (
		<>
			<div className="page-head">
				<h1>Delete {name}</h1>
			</div>
			<div className="stack">
				{actionData && 'told' in actionData && (
					<p className="told" role="status">
						{actionData.told}
					</p>
				)}
				<section className="sheet stack" aria-label="Deleting">
					{leaving === null ? (
						<>
							<p>
								Designs, courses with their plans, kits and classes, the shelf, the log, rooms, and all its people go,
								seven days from now. Until then any owner can take it back; after that nobody can, and a backup that is
								restored loses it again.
							</p>
							<Form method="post" className="stack leave-form">
								<PlainText
									name="name"
									label={`To be sure, type: ${name}`}
									autoComplete="off"
									problem={problemOf('name')}
								/>
								<PlainText
									name="own"
									label="Your password"
									type="password"
									autoComplete="current-password"
									problem={problemOf('own')}
								/>
								<div className="row">
									<Button danger htmlType="submit" name="intent" value="leave">
										Delete it in seven days
									</Button>
								</div>
							</Form>
						</>
					) : (
						<>
							<p>It is deleted on {momentWords(leaving)}. Everything works until then.</p>
							<Form method="post">
								<Button type="primary" htmlType="submit" name="intent" value="stay">
									Keep the studio
								</Button>
							</Form>
						</>
					)}
				</section>
			</div>
		</>
	)
}
