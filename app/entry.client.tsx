import { startTransition, StrictMode } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'
import { noteEarlyTyping } from './shared/early-typing'
import { NonceContext } from './shared/theme/nonce'

const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce || undefined

noteEarlyTyping()
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
