import { wallMomentAt } from '../../../../core/time/zone'
import { listInvitations } from '../../../../db/repositories/links.server'
import { listPeople } from '../../../../db/repositories/people.server'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { asRefusal } from '../../../shared/http/refusal'
import { useSuccesses } from '../../components/use-successes'
import { changePeople } from '../../change-people.server'
import { peopleActions } from '../../forms.server'
import type { Route } from './+types/route'
import { InviteForm } from './invite-form'
import { PersonRow } from './person-row'
import { WaitingList } from './waiting-list'
import './people.css'

export function meta() {
	return [{ title: 'People · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	return loading(async () => {
		const { userId, studio } = context.get(memberContext)
		const invitations = await listInvitations(studio.id, new Date())
		return {
			...{ userId, studioName: studio.name, people: await listPeople(studio.id) },
			invitations: invitations.map(({ expiresAt, ...invitation }) => {
				return { ...invitation, until: wallMomentAt(expiresAt.getTime(), studio.timeZone) }
			}),
		}
	})
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => changePeople(context.get(memberContext), await readIntent(request, peopleActions)))
}

/** Who is in the studio and what each may; who is invited. */
export default function People({ loaderData, actionData }: Route.ComponentProps) {
	const { userId, studioName, people, invitations } = loaderData
	const refusal = asRefusal(actionData)
	const successes = useSuccesses(actionData)
	return (
		<>
			<div className="page-head">
				<h1>People of {studioName}</h1>
				<LinkButton to="/people/known">Who comes to class</LinkButton>
				<LinkButton to="/people/changes">Who changed what</LinkButton>
			</div>
			<div className="stack">
				{refusal && refusal.problems.every(({ path }) => path !== 'email') && (
					<p className="alert" role="alert">
						{refusal.problems[0]?.message ?? refusal.message}
					</p>
				)}
				{actionData && 'told' in actionData && <Told {...actionData} />}
				<section className="sheet" aria-label="Who is here">
					<ul className="plain-list people-list">
						{people.map((person) => (
							<PersonRow key={person.userId} person={person} isSelf={person.userId === userId} />
						))}
					</ul>
				</section>
				{/* A new form after each change: nothing that was typed stays in it. */}
				<InviteForm key={successes} problem={refusal?.problems.find(({ path }) => path === 'email')?.message} />
				<WaitingList invitations={invitations} />
			</div>
		</>
	)
}

function Told({ told, link }: { told: string; link?: string }) {
	return (
		<div className="told" role="status">
			<p>{told}</p>
			{link && (
				<p>
					The same link, to hand over yourself: <code className="people-link">{link}</code>
				</p>
			)}
		</div>
	)
}
