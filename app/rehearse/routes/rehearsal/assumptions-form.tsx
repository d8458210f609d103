import { Button } from 'antd'
import { Form } from 'react-router'
import type { FieldProblem } from '../../../../core/errors'
import { PlainNumber } from '../../../shared/components/fields/plain-fields'
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
				<Button htmlType="submit">Play it anew</Button>
				<LinkButton to="?">As usual</LinkButton>
			</Form>
		</section>
	)
}

const FIELDS: readonly { name: keyof Assumptions; label: string; unit?: string }[] = [
	{ name: 'helpers', label: 'Who help, you among them' },
	{ name: 'most', label: 'On time if done by', unit: '%' },
	{ name: 'patience', label: 'A showing waits at most', unit: 'min' },
	{ name: 'away', label: 'Away', unit: '%' },
	{ name: 'late', label: 'Late', unit: '%' },
]
