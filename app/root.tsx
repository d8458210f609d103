import { App as AntApp, ConfigProvider } from 'antd'
import { use, useEffect } from 'react'
import {
	isRouteErrorResponse,
	Link,
	Links,
	Meta,
	Outlet,
	Scripts,
	ScrollRestoration,
	useRouteError,
} from 'react-router'
import { Wordmark } from './components/wordmark'
import { enterEarlyTyping, HOLD_BACK } from './early-typing'
import antdStyles from './generated/antd.css?url'
import { NonceContext } from './theme/nonce'
import { theme } from './theme/theme'
import displayFont from '@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2?url'
import textFont from '@fontsource-variable/figtree/files/figtree-latin-wght-normal.woff2?url'
import './theme/tokens.css'
import './theme/base.css'

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
		<html lang="en" className="calycine">
			<head>
				<meta charSet="utf-8" />
				<meta name="viewport" content="width=device-width, initial-scale=1" />
				<meta name="theme-color" content="#FBF8F3" />
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

export default function Root() {
	return <Outlet />
}

export function ErrorBoundary() {
	const error = useRouteError()
	const isAnswer = isRouteErrorResponse(error)
	const isMissing = isAnswer && error.status === 404
	return (
		<main className="lone-page stack">
			<Wordmark size={28} />
			<h1>{isMissing ? 'There is nothing here' : 'Something went wrong here'}</h1>
			<p className="soft">
				{isMissing
					? typeof error.data === 'string' && !error.data.startsWith('Error')
						? error.data
						: 'The page may have moved, or it never was.'
					: 'It has been noted. Nothing that you saved is lost; please try again.'}
			</p>
			<p>
				<Link to="/" className="button-link primary">
					Back to today
				</Link>
			</p>
		</main>
	)
}
