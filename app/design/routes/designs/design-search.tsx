import { useEffect, useRef } from 'react'
import { Form, Link, useLocation, useSubmit } from 'react-router'
import type { DesignFilter } from '../../../../core/design/design-filter'
import { describeLevel, KIND_WORDS } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

/** Search and filters as a plain form: the address says what is shown, with scripts and without. */
export function DesignSearch({
	filter,
	count: found,
	isNarrowed,
}: {
	filter: DesignFilter
	count: number
	isNarrowed: boolean
}) {
	const submit = useSubmit()
	const form = useRef<HTMLFormElement>(null)
	const { search } = useLocation()
	const shown = useRef(search)
	useEffect(() => {
		// The first picture holds the address's words already, and perhaps what was typed before the page came alive.
		if (shown.current === search) return
		shown.current = search
		// Links change the address too: the fields follow it, and the focus stays where it is.
		const asked = new URLSearchParams(search)
		for (const field of form.current?.querySelectorAll<HTMLInputElement | HTMLSelectElement>('[name]') ?? [])
			field.value = asked.get(field.name) ?? ''
	}, [search])
	return (
		<Form
			ref={form}
			method="get"
			role="search"
			className="design-search"
			onChange={(event) => {
				// Choices act at once; words wait for Enter.
				if (event.target instanceof HTMLSelectElement) void submit(event.currentTarget, { replace: true })
			}}
		>
			<label>
				<span>Words</span>
				<input
					type="search"
					name="q"
					defaultValue={filter.search}
					placeholder="magnolia, first lesson"
					maxLength={80}
				/>
			</label>
			<FilterSelect name="kind" label="Kind" value={filter.kind} options={KIND_WORDS} />
			<FilterSelect
				name="level"
				label="Level"
				value={filter.level?.toString()}
				options={Object.fromEntries([1, 2, 3, 4, 5].map((level) => [level, `${level}, ${describeLevel(level)}`]))}
			/>
			<FilterSelect
				name="wires"
				label="Wires"
				value={filter.hasWires === undefined ? undefined : filter.hasWires ? 'yes' : 'no'}
				options={{ yes: 'wired', no: 'no wires' }}
			/>
			<FilterSelect name="for" label="For" value={filter.audience} options={{ children: 'children' }} />
			<button className="button-link" type="submit">
				Search
			</button>
			<p className="soft" role="status">
				{count(found, 'design')}
				{isNarrowed && (
					<>
						{' · '}
						<Link to="/designs">show all</Link>
					</>
				)}
			</p>
		</Form>
	)
}

function FilterSelect({
	name,
	label,
	value,
	options,
}: {
	name: string
	label: string
	value: string | undefined
	options: Record<string, string>
}) {
	return (
		<label>
			<span>{label}</span>
			<select name={name} defaultValue={value ?? ''}>
				<option value="">any</option>
				{Object.entries(options).map(([key, word]) => (
					<option key={key} value={key}>
						{word}
					</option>
				))}
			</select>
		</label>
	)
}
