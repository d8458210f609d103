import { Button, Select } from 'antd'
import { useSubmit } from 'react-router'
import { ROLES, type Role } from '../../../../core/vocabulary/role'
import { wordOptions } from '../../../shared/components/fields/choice-fields'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import { ROLE_WORDS } from '../../../shared/words/roles'

interface PersonRowProps {
	person: { userId: number; name: string; email: string; role: Role }
	/** She herself: she takes nobody's chair from under her without another owner. */
	isSelf: boolean
}

/** Somebody of the studio: what she may is changed in place. */
export function PersonRow({ person: { userId, name, email, role }, isSelf }: PersonRowProps) {
	const submit = useSubmit()
	const ask = useAskBeforeLoss()
	const send = (fields: Record<string, string>) =>
		void submit({ userId: String(userId), ...fields }, { method: 'post', preventScrollReset: true })
	const remove = () =>
		ask({
			title: `Take ${name} off?`,
			content: 'She is signed out everywhere and comes in only with a new invitation. What she has made stays.',
			doIt: 'Take off',
			keep: 'Keep',
			onDo: () => send({ intent: 'remove' }),
		})
	const change = (next: Role) => {
		if (!isSelf || next === 'owner') return send({ intent: 'set-role', role: next })
		ask({
			title: `Be ${next} from now on?`,
			content: 'Only another owner can make you an owner again.',
			doIt: 'Give it up',
			keep: 'Stay owner',
			onDo: () => send({ intent: 'set-role', role: next }),
		})
	}
	return (
		<li className="person">
			<span>
				<b>{name}</b>
				{isSelf && <span className="soft"> (you)</span>}
				<br />
				<span className="soft">{email}</span>
			</span>
			<Select value={role} options={wordOptions(ROLES)} onChange={change} aria-label={`What ${name} is`} />
			<span className="soft">{ROLE_WORDS[role]}</span>
			<Button type="text" onClick={remove} aria-label={`Take ${name} off`}>
				Take off
			</Button>
		</li>
	)
}
