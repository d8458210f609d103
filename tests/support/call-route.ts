/** Loaders and actions called as functions, as the framework would call them. */
import type { RouterContextProvider } from 'react-router'
import { contextOf, type TestStudio } from './studios'

/** The arguments of a loader or action; a body makes it a POST of JSON. */
export function call(
	who: TestStudio | RouterContextProvider,
	url: string,
	{ body, params = {} }: { body?: unknown; params?: object } = {},
) {
	const init =
		body === undefined
			? {}
			: { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }
	const request = new Request(`http://localhost${url}`, init)
	return { request, params, context: 'studioId' in who ? contextOf(who) : who } as never
}

export interface Answer {
	status: number
	/** Target of a redirect. */
	to?: string
	/** What was answered: a refusal, or the data of an action. */
	refusal?: { message: string; problems: { path: string; message: string }[] }
}

export async function answerOf(result: unknown): Promise<Answer> {
	const answer = await result
	if (answer instanceof Response) return { status: answer.status, to: answer.headers.get('Location') ?? '' }
	const { data, init } = answer as { data: never; init?: ResponseInit | null }
	return { status: init?.status ?? 200, refusal: data }
}

export async function thrownBy(work: () => unknown): Promise<unknown> {
	try {
		await work()
		return undefined
	} catch (thrown) {
		return thrown
	}
}
