import { LinkButton } from './shared/components/link-button'
import { App as AntApp, ConfigProvider } from 'antd'
import { use, useEffect } from 'react'
import {
	isRouteErrorResponse,
	Links,
	Meta,
	Outlet,
	Scripts,
	ScrollRestoration,
	useRouteError,
	useRouteLoaderData,
} from 'react-router'
import { readLook } from './account/look-cookie.server'
import { Wordmark } from './shared/components/wordmark'
import { enterEarlyTyping, HOLD_BACK } from './shared/early-typing'
import antdStyles from './generated/antd.css?url'
import { NonceContext } from './shared/theme/nonce'
import { PALETTES, theme } from './shared/theme/theme'
import type { Route } from './+types/root'
import displayFont from '@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2?url'
import textFont from '@fontsource-variable/figtree/files/figtree-latin-wght-normal.woff2?url'
import './shared/theme/tokens.css'
import './shared/theme/base.css'

/** How this visitor wants the screens, wherever she is. */
export function loader({ request }: Route.LoaderArgs) {
	return readLook(request)
}

export function links() {
	const font = { rel: 'preload', as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' } as const
	return [
		{ rel: 'icon', href: '/favicon.svg', type: 'image/svg+xml' },
		{ ...font, href: displayFont },
		{ ...font, href: textFont },
		{ rel: 'stylesheet', href: antdStyles },
	]
}

export function meta() {
	return [{ title: 'Calycine' }]
}

/** The document round every page, error pages too. */
export function Layout({ children }: { children: React.ReactNode }) {
	const nonce = use(NonceContext)
	// Nothing where the page itself has failed.
	const look = useRouteLoaderData<typeof loader>('root')
	useEffect(() => {
		// Outside the effect, so that React takes one entry in before the next one comes.
		const coming = setTimeout(() => {
			enterEarlyTyping()
			// For whoever drives the page by script: from now on it listens.
			document.documentElement.dataset['alive'] = ''
		})
		return () => {
			clearTimeout(coming)
		}
	}, [])
	return (
		<html lang="en" className="calycine" data-light={look?.light} data-reach={look?.reach}>
			<head>
				<meta charSet="utf-8" />
				<meta name="viewport" content="width=device-width, initial-scale=1" />
				<meta name="theme-color" content={PALETTES[look?.light ?? 'day'].paper} />
				<meta name="color-scheme" content="light dark" />
				<Meta />
				<Links />
				<script nonce={nonce} dangerouslySetInnerHTML={{ __html: HOLD_BACK }} />
			</head>
			<body>
				<ConfigProvider theme={{ ...theme, zeroRuntime: true }} csp={nonce ? { nonce } : undefined}>
					<AntApp component={false}>{children}</AntApp>
				</ConfigProvider>
				<ScrollRestoration nonce={nonce} />
				<Scripts nonce={nonce} />
			</body>
		</html>
	)
}

/** The page of the address, in the document round it. */
export default function Root() {
	return <Outlet />
}

/** What a page says that cannot be shown; the head by its status, the text by whoever answered so. */
const FAILURES: Record<number, { head: string; text: string }> = {
	400: { head: 'This cannot be read', text: 'Something in the address does not make sense.' },
	403: { head: 'Not for you to open', text: 'Ask an owner of the studio.' },
	404: { head: 'There is nothing here', text: 'The page may have moved, or it never was.' },
	429: { head: 'One moment', text: 'Too much is being planned just now: try again in a minute.' },
	503: { head: 'The database is away', text: 'Nothing that you saved is lost. Please try again in a moment.' },
}
const UNEXPECTED = {
	head: 'Something went wrong here',
	text: 'It has been noted. Nothing that you saved is lost; please try again.',
}
const CUT_OFF = {
	head: 'No network just now',
	text: 'This page could not be fetched. Nothing that you saved is lost; what is kept on this device is there when you go back.',
}

/** What browsers throw when a request does not get through. */
function isCutOff(error: unknown): boolean {
	return error instanceof TypeError && /fetch|network|load failed/i.test(error.message)
}

/** A page that cannot be shown: in words, and with a way on. */
export function ErrorBoundary() {
	const error = useRouteError()
	const known = isRouteErrorResponse(error) ? FAILURES[error.status] : isCutOff(error) ? CUT_OFF : undefined
	const { head, text } = known ?? UNEXPECTED
	// The framework's own answers begin with Error: nobody is to read those.
	const isOurs =
		known && isRouteErrorResponse(error) && typeof error.data === 'string' && !error.data.startsWith('Error')
	return (
		<main className="lone-page stack">
			<Wordmark size={28} />
			<h1>{head}</h1>
			<p className="soft">{isOurs ? error.data : text}</p>
			<p className="row">
				{known && !(isRouteErrorResponse(error) && error.status === 403) && <a href="">Try again</a>}
				<LinkButton type="primary" to="/">
					Back to today
				</LinkButton>
			</p>
		</main>
	)
}
