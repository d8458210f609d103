import type { Option } from '../../../shared/components/fields/choice-fields'
import { ListSearch, type ListTerm } from '../../../shared/components/list-search/list-search'
import { describeLevel, KIND_WORDS } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

const ANY = { value: '', label: 'any' }

const TERMS: ListTerm[] = [
	{ name: 'kind', label: 'Kind', options: [ANY, ...toOptions(KIND_WORDS)] },
	{
		name: 'level',
		label: 'Level',
		options: [
			ANY,
			...[1, 2, 3, 4, 5].map((level) => ({ value: String(level), label: `${level}, ${describeLevel(level)}` })),
		],
	},
	{ name: 'wires', label: 'Wires', options: [ANY, ...toOptions({ yes: 'wired', no: 'no wires' })] },
	{ name: 'for', label: 'For', options: [ANY, ...toOptions({ children: 'children' })] },
	{
		name: 'order',
		label: 'Order',
		options: [
			{ value: '', label: 'by name' },
			...toOptions({ newest: 'changed last', easiest: 'easiest first', quickest: 'quickest first' }),
		],
	},
]

/** Search and filters of the design book. */
export function DesignSearch({ isNarrowed, count: found }: { isNarrowed: boolean; count: number }) {
	return (
		<ListSearch
			placeholder="magnolia, first lesson"
			terms={TERMS}
			found={count(found, 'design')}
			clearTo={isNarrowed ? '/designs' : undefined}
		/>
	)
}

function toOptions(words: Readonly<Record<string, string>>): Option<string>[] {
	return Object.entries(words).map(([value, label]) => ({ value, label }))
}
