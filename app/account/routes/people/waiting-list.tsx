import type { Role } from '../../../../core/vocabulary/role'
import { LinePress } from '../../../shared/components/line-press'
import { momentWords } from '../../../shared/words/times'

interface Waiting {
	id: number
	email: string
	role: Role
	/** On the studio's clock. */
	until: string
}

/** Who was invited and has not come yet; nothing where there is nobody. */
export function WaitingList({ invitations }: { invitations: readonly Waiting[] }) {
	if (invitations.length === 0) return null
	return (
		<section className="sheet stack" aria-labelledby="invited">
			<h2 id="invited">Invited</h2>
			<ul className="plain-list">
				{invitations.map(({ id, email, role, until }) => (
					<li key={id} className="row">
						<b>{email}</b>
						<span className="soft">
							as {role}, until {momentWords(until)}
						</span>
						<LinePress intent="withdraw" fields={{ id }} label={`Take the invitation of ${email} back`}>
							Take back
						</LinePress>
					</li>
				))}
			</ul>
		</section>
	)
}
