/** Whose request it is, as far as the connection tells. */
import { createContext, type RouterContextProvider } from 'react-router'

/** Address of the other end of the connection; behind a proxy that is the proxy. */
export const addressContext = createContext('unknown')

export function clientAddress(context: Readonly<RouterContextProvider>): string {
	return context.get(addressContext)
}
