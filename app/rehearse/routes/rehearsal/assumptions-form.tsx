import { Button } from 'antd'
import { Form } from 'react-router'
import type { FieldProblem } from '../../../../core/errors'
import { PlainNumber, PlainSelect } from '../../../shared/components/fields/plain-fields'
import { PACES } from '../../../../core/course/course'
import { PACE_WORDS } from '../../../shared/words/terms'
import { LinkButton } from '../../../shared/components/link-button'
import { problemsByField } from '../../../shared/http/refusal'
import type { Assumptions } from '../../schemas/assumptions'

/** What the rehearsal assumes; changed, it is played anew with the same luck. */
export function AssumptionsForm({
	assumptions,
	problems,
}: {
	assumptions: Assumptions
	problems: readonly FieldProblem[]
}) {
	const problemOf = problemsByField([...problems])
	return (
		<section className="sheet" aria-labelledby="assumed">
			<h2 id="assumed">Assumed</h2>
			<p className="soft small">
				Usual values, from memory: the log of real classes is to say better. Levels are those of the people, or of the
				course.
			</p>
			<Form method="get" preventScrollReset className="row assumed" key={JSON.stringify(assumptions)}>
				{FIELDS.map(({ name, ...words }) => (
					<PlainNumber key={name} {...{ name, ...words }} defaultValue={assumptions[name]} problem={problemOf(name)} />
				))}
				<PlainSelect name="level" label="Everybody is" options={chosenFirst(LEVELS, assumptions.level)} />
				<PlainSelect name="shows" label="While something is shown" options={chosenFirst(SHOWS, assumptions.shows)} />
				<Button htmlType="submit">Play it anew</Button>
				<LinkButton to="?">As usual</LinkButton>
			</Form>
		</section>
	)
}

/** A plain select begins with its first. */
function chosenFirst<T extends { value: string }>(options: readonly T[], chosen: string): T[] {
	return options.toSorted((a, b) => Number(b.value === chosen) - Number(a.value === chosen))
}

const LEVELS = [
	{ value: '', label: 'as is noted' },
	...PACES.map((pace) => ({ value: pace as string, label: PACE_WORDS[pace].toLowerCase() })),
]

const SHOWS = [
	{ value: 'all', label: 'all stop and look' },
	{ value: 'one', label: 'who works goes on, and sees it later' },
]

type NumberField = Exclude<keyof Assumptions, 'level' | 'shows'>

const FIELDS: readonly { name: NumberField; label: string; unit?: string }[] = [
	{ name: 'helpers', label: 'Who help, you among them' },
	{ name: 'most', label: 'On time if done by', unit: '%' },
	{ name: 'patience', label: 'A showing waits at most', unit: 'min' },
	{ name: 'away', label: 'Away', unit: '%' },
	{ name: 'late', label: 'Late', unit: '%' },
	{ name: 'dried', label: 'Dried sets on your table' },
	{ name: 'behind', label: 'Extras left out when late by', unit: 'min' },
]
