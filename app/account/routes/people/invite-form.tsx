import { Button } from 'antd'
import { useState } from 'react'
import { Form } from 'react-router'
import { ROLES, type Role } from '../../../../core/vocabulary/role'
import { SelectField, wordOptions } from '../../../shared/components/fields/choice-fields'
import { ROLE_WORDS } from '../../../shared/words/roles'
import { PlainText } from '../../../shared/components/fields/plain-fields'

/** Invites somebody by a letter. */
export function InviteForm({ problem }: { problem: string | undefined }) {
	const [role, setRole] = useState<Role>('assistant')
	return (
		<section className="sheet stack" aria-labelledby="invite">
			<h2 id="invite">Invite somebody</h2>
			<Form method="post" noValidate className="invite-form">
				<PlainText name="email" label="E-mail address" type="email" autoComplete="off" problem={problem} />
				<SelectField name="role" label="as" value={role} options={wordOptions(ROLES)} onChange={setRole} />
				<Button type="primary" htmlType="submit" name="intent" value="invite">
					Invite
				</Button>
			</Form>
			<p className="soft">
				{role}: {ROLE_WORDS[role]}. The link in the letter works once, for seven days.
			</p>
		</section>
	)
}
