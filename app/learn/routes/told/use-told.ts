/** What is typed of a session that is told by hand: everything as text, so that nothing typed is lost. */
import { useState } from 'react'
import type { ToldPage } from '../../told-session.server'

type Texts = Record<string, string>

/** The names of a line's key and of its number in what is sent. */
const FIELDS = {
	minutes: { key: 'task', number: 'minutes' },
	broken: { key: 'part', number: 'pieces' },
	waiting: { key: 'tool', number: 'students' },
	left: { key: 'paste', number: 'leftG' },
	wires: { key: 'wire', number: 'pieces' },
} as const

export type ToldKind = keyof typeof FIELDS
const KINDS = Object.keys(FIELDS) as ToldKind[]

export function useTold(page: ToldPage) {
	const [texts, setTexts] = useState<Record<ToldKind, Texts>>(() => ({
		minutes: toTexts(page.tasks.map(({ id, real }) => [id, real])),
		broken: toTexts(page.parts.map(({ name, broken }) => [name, broken])),
		waiting: toTexts(page.tools.map(({ tool, waiting }) => [tool, waiting])),
		left: toTexts([...page.pastes, ...page.pasteKinds].map(({ key, leftG }) => [key, leftG])),
		wires: toTexts(page.wires.map(({ wire, left }) => [wire, left])),
	}))
	const [studentCount, setStudentCount] = useState(String(page.studentCount))
	const [told, setTold] = useState(page.told)
	const linesOf = (kind: ToldKind) => Object.entries(texts[kind]).filter(([, text]) => text.trim() !== '')
	return {
		...{ studentCount, setStudentCount, told, setTold },
		valueOf: (kind: ToldKind, key: string) => texts[kind][key] ?? '',
		set: (kind: ToldKind, key: string, text: string) => {
			setTexts((before) => ({ ...before, [kind]: { ...before[kind], [key]: text } }))
		},
		/** By which a refusal names the number of a line. */
		pathOf: (kind: ToldKind, key: string) => {
			const at = linesOf(kind).findIndex(([own]) => own === key)
			return at < 0 ? 'none' : `${kind}[${at}].${FIELDS[kind].number}`
		},
		toBody: () => ({
			studentCount: toNumber(studentCount),
			told,
			...Object.fromEntries(
				KINDS.map((kind) => {
					const { key: name, number } = FIELDS[kind]
					return [kind, linesOf(kind).map(([key, text]) => ({ [name]: key, [number]: toNumber(text) }))]
				}),
			),
		}),
	}
}

function toTexts(entries: readonly (readonly [key: string, value: number | undefined])[]): Texts {
	return Object.fromEntries(entries.map(([key, value]) => [key, value === undefined ? '' : String(value)]))
}

/** What is no number is sent as it is typed: the server says what is wrong with it, beside its line. */
function toNumber(text: string): number | string {
	const number = Number(text.trim().replace(',', '.'))
	return Number.isFinite(number) && text.trim() !== '' ? number : text
}
