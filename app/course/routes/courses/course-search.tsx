import { ListSearch, type ListTerm } from '../../../shared/components/list-search/list-search'
import { count } from '../../../shared/words/times'

const TERMS: ListTerm[] = [
	{
		name: 'when',
		label: 'When',
		options: [
			{ value: '', label: 'any time' },
			{ value: 'ahead', label: 'ahead' },
			{ value: 'over', label: 'over' },
		],
	},
	{
		name: 'plan',
		label: 'Plan',
		options: [
			{ value: '', label: 'any' },
			{ value: 'fits', label: 'fits' },
			{ value: 'open', label: 'does not fit yet' },
		],
	},
	{
		name: 'order',
		label: 'Order',
		options: [
			{ value: '', label: 'latest first' },
			{ value: 'soonest', label: 'earliest first' },
			{ value: 'name', label: 'by name' },
			{ value: 'largest', label: 'most students' },
		],
	},
]

/** Search, filters and order of the courses. */
export function CourseSearch({ isNarrowed, count: found }: { isNarrowed: boolean; count: number }) {
	return (
		<ListSearch
			placeholder="magnolia, Thursdays"
			terms={TERMS}
			found={count(found, 'course')}
			clearTo={isNarrowed ? '/courses' : undefined}
		/>
	)
}
