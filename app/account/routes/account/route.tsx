import { Button } from 'antd'
import { Form } from 'react-router'
import { wallMomentAt } from '../../../../core/time/zone'
import { listDevices } from '../../../../db/repositories/sign-ins.server'
import { LinkButton } from '../../../shared/components/link-button'
import { LinePress } from '../../../shared/components/line-press'
import { memberContext } from '../../../shared/http/contexts'
import { asRefusal, problemsByField } from '../../../shared/http/refusal'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { ROLE_WORDS } from '../../../shared/words/roles'
import { momentWords } from '../../../shared/words/times'
import { changeAccount } from '../../change-account.server'
import { useSuccesses } from '../../components/use-successes'
import { PlainText } from '../../../shared/components/fields/plain-fields'
import { accountActions } from '../../forms.server'
import { readToken } from '../../sign-in-cookie.server'
import { loadCodes } from '../../load-codes.server'
import { CodesSheet } from './codes-sheet'
import type { Route } from './+types/route'
import './account.css'

export function meta() {
	return [{ title: 'Your account · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { userId, userName, email, role, studio } = context.get(memberContext)
		const devices = await listDevices(userId, await readToken(request), new Date())
		const momentOf = (date: Date) => wallMomentAt(date.getTime(), studio.timeZone)
		return {
			...{ userName, email, role, studioName: studio.name },
			codes: await loadCodes(userId, email),
			devices: devices.map(({ since, seenAt, ...device }) => {
				return { ...device, since: momentOf(since), seenAt: momentOf(seenAt) }
			}),
		}
	})
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const action = await readIntent(request, accountActions)
		return changeAccount(context.get(memberContext), action, await readToken(request))
	})
}

/** Her own name, password and devices. */
export default function Account({ loaderData, actionData }: Route.ComponentProps) {
	const { userName, email, role, studioName, devices, codes } = loaderData
	const answer = actionData && 'told' in actionData ? actionData : undefined
	const refusal = asRefusal(actionData)
	const successes = useSuccesses(actionData)
	const problemOf = problemsByField(refusal?.problems ?? [])
	return (
		<>
			<div className="page-head">
				<h1>Your account</h1>
				<p className="soft">
					{email} · {role} of {studioName}: {ROLE_WORDS[role]}
				</p>
				<LinkButton to="/people">People of the studio</LinkButton>
			</div>
			<div className="account-sheets">
				{answer && (
					<p className="told account-wide" role="status">
						{answer.told}
					</p>
				)}
				<section className="sheet stack" aria-labelledby="own-name">
					<h2 id="own-name">Your name</h2>
					<Form method="post" className="stack">
						<PlainText
							name="name"
							label="As others read it"
							autoComplete="name"
							defaultValue={userName}
							problem={problemOf('name')}
						/>
						<div className="row">
							<Button htmlType="submit" name="intent" value="rename">
								Keep the name
							</Button>
						</div>
					</Form>
				</section>
				<section className="sheet stack" aria-labelledby="own-password">
					<h2 id="own-password">Your password</h2>
					{/* A new form after each change: nothing that was typed stays in it. */}
					<Form method="post" className="stack" key={successes}>
						<PlainText
							name="before"
							label="The one you have"
							type="password"
							autoComplete="current-password"
							problem={problemOf('before')}
						/>
						<PlainText
							name="password"
							label="A new one, at least 12 characters"
							type="password"
							autoComplete="new-password"
							problem={problemOf('password')}
						/>
						<div className="row">
							<Button htmlType="submit" name="intent" value="change-password">
								Change it
							</Button>
							<span className="soft">Your other devices are signed out with it.</span>
						</div>
					</Form>
				</section>
				<CodesSheet codes={codes} words={answer?.words} problemOf={problemOf} formKey={successes} />
				<section className="sheet stack" aria-labelledby="own-devices">
					<h2 id="own-devices">Where you are signed in</h2>
					<ul className="plain-list">
						{devices.map(({ id, words, since, seenAt, isThis }) => (
							<li key={id} className="row">
								<b>{words || 'A device'}</b>
								<span className="soft">
									{isThis ? 'this one' : `seen ${momentWords(seenAt)}`}, since {momentWords(since)}
								</span>
								{!isThis && (
									<LinePress
										intent="end-device"
										fields={{ id }}
										label={`Sign out ${words}, since ${momentWords(since)}`}
									>
										Sign out
									</LinePress>
								)}
							</li>
						))}
					</ul>
					{devices.length > 1 && (
						<Form method="post">
							<Button htmlType="submit" name="intent" value="end-others">
								Sign out everywhere else
							</Button>
						</Form>
					)}
				</section>
			</div>
		</>
	)
}
