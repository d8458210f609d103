/** Pages before the studio: a head, some words, and a form that works before and without scripts. */
import { Button } from 'antd'
import { createContext, use } from 'react'
import { Form, useActionData, useNavigation } from 'react-router'
import { Wordmark } from '../../shared/components/wordmark'
import { PlainText } from '../../shared/components/fields/plain-fields'
import { asRefusal, problemsByField } from '../../shared/http/refusal'
import './lone-form.css'

export function LonePage({ head, children }: { head: string; children: React.ReactNode }) {
	return (
		<main className="lone-page stack">
			<Wordmark size={34} />
			<h1>{head}</h1>
			{children}
		</main>
	)
}

const ProblemsContext = createContext<(field: string) => string | undefined>(() => undefined)

/**
 * The form of such a page; what its action refused is said above it, or beside the fields.
 *
 * @param doIt - on its button
 */
export function LoneForm({ doIt, children }: { doIt: string; children: React.ReactNode }) {
	const isSending = useNavigation().state !== 'idle'
	const refusal = asRefusal(useActionData())
	const isByField = refusal?.problems.some(({ path }) => path !== '') ?? false
	return (
		<Form method="post" noValidate className="lone-form">
			{refusal && !isByField && (
				<p className="alert" role="alert">
					{refusal.message}
				</p>
			)}
			<ProblemsContext value={problemsByField(refusal?.problems ?? [])}>{children}</ProblemsContext>
			<Button type="primary" htmlType="submit" loading={isSending} block>
				{doIt}
			</Button>
		</Form>
	)
}

/** A text of such a form. */
export function LoneField(props: Omit<React.ComponentProps<typeof PlainText>, 'problem'>) {
	return <PlainText {...props} problem={use(ProblemsContext)(props.name)} />
}
