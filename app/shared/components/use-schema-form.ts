/** Joins the component library's form to an action: check, submit as JSON, put the errors of either side on their fields. */
import { Form, type FormInstance } from 'antd'
import { useEffect, useEffectEvent } from 'react'
import { useFetcher } from 'react-router'
import type { AnyObjectSchema } from 'yup'
import type { FieldProblem } from '../../../core/errors'
import { asRefusal, type Refusal } from '../http/refusal'
import { schemaProblems } from '../schemas/schema-problems'

type FieldName = (string | number)[]

export interface SchemaForm<Values> {
	form: FormInstance<Values>
	/** For the form's `onFinish`. */
	submit: (values: Values) => Promise<void>
	/** For the form's `onValuesChange`: what is being mended is not scolded any longer. */
	clearProblems: (changed: object) => void
	isSaving: boolean
	/** What the action answered, if it refused; with further fields of that action. */
	refusal: (Refusal & Record<string, unknown>) | undefined
	/** The action has taken the values, and stayed on this page. */
	isSaved: boolean
}

/**
 * @param check - rules beyond the schema that both sides know; throws nothing, names fields
 * @param toBody - what is sent, if it is more than the values
 * @param onSaved - told once of each saving that was taken
 */
export function useSchemaForm<Values extends object>({
	schema,
	check = () => [],
	toBody = (values) => values,
	onSaved,
}: {
	schema: AnyObjectSchema
	check?: (values: Values) => readonly FieldProblem[]
	toBody?: (values: Values) => object
	onSaved?: () => void
}): SchemaForm<Values> {
	const [form] = Form.useForm<Values>()
	const fetcher = useFetcher<unknown>()
	const refusal = asRefusal(fetcher.data)

	// The router hands the answer over beside React's state: a rendering that changes nothing else may see it first, and
	// React drops that rendering's effects. The fetcher's state is React's own, so what follows an answer hangs on both.
	const { data, state } = fetcher
	const takeAnswer = useEffectEvent(() => {
		if (data === undefined) return
		const refused = asRefusal(data)
		if (refused) showProblems(form, refused.problems)
		else onSaved?.()
	})
	useEffect(() => {
		if (state === 'idle') takeAnswer()
	}, [state, data])

	const submit = async (values: Values) => {
		const body = toBody(values)
		const problems = [...(await schemaProblems(schema, body)), ...check(values)]
		if (problems.length > 0) return showProblems(form, problems)
		await fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' })
	}
	const clearProblems = (changed: object) => {
		form.setFields(namesIn(changed).map((name) => ({ name: name as never, errors: [] })))
	}
	const isSaved = fetcher.state === 'idle' && fetcher.data !== undefined && refusal === undefined
	return { form, submit, clearProblems, isSaving: fetcher.state !== 'idle', refusal, isSaved }
}

/** One message a field, and the first field with one in view and in focus. */
function showProblems<Values>(form: FormInstance<Values>, problems: readonly FieldProblem[]): void {
	const byPath = new Map(problems.toReversed().map(({ path, message }) => [path, message]))
	const fields = [...byPath]
		.filter(([path]) => path !== '')
		.map(([path, message]) => ({ name: toName(path), errors: [message] }))
	form.setFields(fields as never)
	const first = problems.find(({ path }) => path !== '')
	if (first) form.scrollToField(toName(first.path) as never, { block: 'center', focus: true })
}

/** 'sessions[0].endMin' -> ['sessions', 0, 'endMin']: positions in lists are numbers. */
export function toName(path: string): FieldName {
	return path
		.split(/[.[\]]+/)
		.filter((word) => word !== '')
		.map((word) => (/^\d+$/.test(word) ? Number(word) : word))
}

function namesIn(changed: unknown, prefix: FieldName = []): FieldName[] {
	if (typeof changed !== 'object' || changed === null) return [prefix]
	const entries = Array.isArray(changed)
		? [...changed.entries()].filter(([, value]) => value !== undefined)
		: Object.entries(changed)
	return [
		...(prefix.length > 0 ? [prefix] : []),
		...entries.flatMap(([key, value]) => namesIn(value, [...prefix, key])),
	]
}
