import { SearchOutlined } from '@ant-design/icons'
import { Button, ConfigProvider, Input } from 'antd'
import { useState } from 'react'
import { Form, Link, useSearchParams } from 'react-router'
import { SelectField, type Option } from '../fields/choice-fields'
import { withTerms } from '../../address'
import './list-search.css'

export interface ListTerm {
	/** In the address. */
	name: string
	label: string
	options: readonly Option<string>[]
}

interface ListSearchProps {
	/** What may be sought, as an example. */
	placeholder: string
	/** Filters and orders, each with its usual value first. */
	terms: readonly ListTerm[]
	/** 'Of 12 designs': how much is shown. */
	found: string
	/** Where nothing is asked any more; absent: nothing is asked now. */
	clearTo?: string | undefined
}

/** Words, filters and orders of a list. The address says what is asked, with scripts and without. */
export function ListSearch({ placeholder, terms, found, clearTo }: ListSearchProps) {
	const [search, setSearch] = useSearchParams()
	return (
		// Whoever may change nothing searches all the same.
		<ConfigProvider componentDisabled={false}>
			<Form method="get" role="search" className="list-search no-print">
				<WordsField words={search.get('q') ?? ''} placeholder={placeholder} />
				{terms.map(({ name, label, options }) => (
					<SelectField
						key={name}
						name={name}
						label={label}
						value={options.find(({ value }) => value === search.get(name))?.value ?? ''}
						options={options}
						onChange={(value) =>
							setSearch(withTerms(search, { [name]: value, page: undefined }), {
								replace: true,
								preventScrollReset: true,
							})
						}
					/>
				))}
				<Button htmlType="submit" icon={<SearchOutlined aria-hidden />}>
					Search
				</Button>
				<p className="soft" role="status">
					{found}
					{clearTo !== undefined && (
						<>
							{' · '}
							<Link to={clearTo}>show all</Link>
						</>
					)}
				</p>
			</Form>
		</ConfigProvider>
	)
}

/** What is typed stands until it is sent, or until a link asks something else. */
function WordsField({ words, placeholder }: { words: string; placeholder: string }) {
	const [typed, setTyped] = useState(words)
	const [seen, setSeen] = useState(words)
	if (seen !== words) {
		setSeen(words)
		setTyped(words)
	}
	return (
		<div className="field list-words">
			<label htmlFor="list-words">Words</label>
			<Input
				id="list-words"
				name="q"
				type="search"
				value={typed}
				placeholder={placeholder}
				maxLength={80}
				onChange={({ target }) => setTyped(target.value)}
			/>
		</div>
	)
}
