import { startTransition, StrictMode } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'
import { NonceContext } from './theme/nonce'

const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce || undefined

startTransition(() => {
	hydrateRoot(
		document,
		<StrictMode>
			<NonceContext value={nonce}>
				<HydratedRouter />
			</NonceContext>
		</StrictMode>,
	)
})
