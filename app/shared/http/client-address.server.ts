/** Whose request it is, as far as the connection, or a proxy that is trusted, tells. */
import { createContext, type RouterContextProvider } from 'react-router'

/** null: a proxy that we were not told to trust has sent it, and its address is everybody's. */
export const addressContext = createContext<string | null>(null)

export function clientAddress(context: Readonly<RouterContextProvider>): string | undefined {
	return context.get(addressContext) ?? undefined
}
