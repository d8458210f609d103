import { ConfigProvider } from 'antd'
import { Link, NavLink, Outlet, useNavigation, useRouteLoaderData } from 'react-router'
import type { Look } from '../account/schemas/look'
import { wallMomentAt } from '../../core/time/zone'
import { LinkButton } from '../shared/components/link-button'
import { momentWords } from '../shared/words/times'
import { Wordmark } from '../shared/components/wordmark'
import { useMayChange, useMayTry } from '../shared/may/use-may'
import { memberContext } from '../shared/http/contexts'
import { requireMember } from '../account/require-member.server'
import type { Route } from './+types/route'
import { LookSwitch } from './look-switch'
import { ShortcutKeys } from './shortcuts/shortcut-keys'
import { useOwnDevice } from '../run/offline/own-device'
import { SignOut } from './sign-out'
import './frame.css'

export const middleware: Route.MiddlewareFunction[] = [requireMember]

export function loader({ context }: Route.LoaderArgs) {
	const { userName, role, studio } = context.get(memberContext)
	const { id: studioId, name: studioName, leavingAt, timeZone } = studio
	const leaving = leavingAt && wallMomentAt(leavingAt.getTime(), timeZone)
	return { userName, role, studioId, studioName, leaving }
}

const PAGES = [
	{ to: '/', label: 'Today' },
	{ to: '/designs', label: 'Designs' },
	{ to: '/courses', label: 'Courses' },
	{ to: '/drying', label: 'Drying' },
	{ to: '/rooms', label: 'Rooms' },
	{ to: '/stock', label: 'Shelf' },
	{ to: '/log', label: 'Log' },
]

/** What stands round every page of a studio: the way past the head, the head, the content. */
export default function Frame({ loaderData: { userName, role, studioId, studioName, leaving } }: Route.ComponentProps) {
	const look = useRouteLoaderData<Look>('root') ?? {}
	useOwnDevice(studioId)
	const [mayChange, mayTry] = [useMayChange(), useMayTry()]
	const isLoading = useNavigation().state !== 'idle'
	return (
		<>
			<a className="skip-link" href="#main">
				To the content
			</a>
			<header className="frame-head no-print">
				<Link to="/" className="frame-mark" aria-label="Calycine, today">
					<Wordmark />
				</Link>
				<nav aria-label="Main">
					{PAGES.map(({ to, label }) => (
						<NavLink key={to} to={to} end={to === '/'} prefetch="intent">
							{label}
						</NavLink>
					))}
				</nav>
				<div className="frame-studio">
					<ShortcutKeys />
					<LookSwitch look={look} />
					<NavLink to="/studio">{studioName}</NavLink>
					<NavLink to="/account">{userName}</NavLink>
					<SignOut userName={userName} studioId={studioId} />
				</div>
			</header>
			<div className={isLoading ? 'frame-progress is-loading' : 'frame-progress'} aria-hidden="true" />
			<main id="main" className="frame-main" tabIndex={-1}>
				{leaving && (
					<p className="alert row no-print" role="status">
						This studio is deleted on {momentWords(leaving)}.<LinkButton to="/studio/leave">Take it back</LinkButton>
					</p>
				)}
				{!mayChange && (
					<p className="frame-onlooker soft no-print">You look on as {role}: nothing can be changed on this page.</p>
				)}
				<ConfigProvider componentDisabled={!mayTry}>
					<Outlet />
				</ConfigProvider>
			</main>
		</>
	)
}
