import { Button, Input } from 'antd'
import { Form, redirect, useNavigation } from 'react-router'
import { InputError } from '../../../../core/errors'
import { createSignIn, endSignIn, findUserByPassword, getLook } from '../../../../db/repositories/accounts.server'
import { Wordmark } from '../../../shared/components/wordmark'
import { localTarget } from '../../local-target'
import { problemsByField } from '../../../shared/http/refusal'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { writeLook } from '../../look-cookie.server'
import { keepToken, readToken } from '../../sign-in-cookie.server'
import { countAttempt, forgiveAttempt } from '../../sign-in-limit.server'
import { clientAddress } from '../../../shared/http/client-address.server'
import { signInSchema, type SignInInput } from '../../schemas/sign-in'
import type { Route } from './+types/route'
import './sign-in.css'

export function meta() {
	return [{ title: 'Sign in · Calycine' }]
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { email, password } = await readBody(request, signInSchema)
		const address = clientAddress(context)
		await countAttempt(email, address)
		const userId = await findUserByPassword(email, password)
		if (userId === undefined) throw new InputError([{ path: 'password', message: 'Address or password is not right' }])
		await forgiveAttempt(email, address)
		// A token from before the sign-in, planted or old, must not live on.
		const before = await readToken(request)
		if (before) await endSignIn(before)
		const token = await createSignIn(userId, new Date())
		const headers = new Headers({ 'Set-Cookie': await keepToken(token) })
		headers.append('Set-Cookie', await writeLook(await getLook(userId)))
		return redirect(localTarget(new URL(request.url).searchParams.get('to')), { headers })
	})
}

/** The door: address and password, before and without scripts. */
export default function SignIn({ actionData }: Route.ComponentProps) {
	const isSaving = useNavigation().state !== 'idle'
	const problems = actionData && 'problems' in actionData ? actionData.problems : []
	const problemOf = problemsByField(problems)
	return (
		<main className="lone-page stack">
			<Wordmark size={34} />
			<h1>Sign in to your bench</h1>
			<p className="soft">
				Plans for classes in sugar flowers and ornaments: what dries by when, what fits, what goes into each kit.
			</p>
			{/* The browser’s own form: it works before and without scripts, and the page stays light. */}
			<Form method="post" noValidate className="sign-in-form">
				<SignInField
					name="email"
					label="E-mail address"
					type="email"
					autoComplete="username"
					problem={problemOf('email')}
				/>
				<SignInField
					name="password"
					label="Password"
					type="password"
					autoComplete="current-password"
					problem={problemOf('password')}
				/>
				<Button type="primary" htmlType="submit" loading={isSaving} block>
					Sign in
				</Button>
			</Form>
		</main>
	)
}

interface SignInFieldProps {
	name: keyof SignInInput
	label: string
	type: string
	autoComplete: string
	problem: string | undefined
}

function SignInField({ name, label, problem, ...rest }: SignInFieldProps) {
	return (
		<div>
			<label htmlFor={name}>{label}</label>
			<Input
				id={name}
				name={name}
				autoFocus={name === 'email'}
				{...(problem && { status: 'error', 'aria-invalid': true, 'aria-describedby': `${name}-problem` })}
				{...rest}
			/>
			{problem && (
				<p id={`${name}-problem`} className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}
