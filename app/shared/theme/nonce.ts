import { createContext } from 'react'

/** The nonce of this page's scripts, for what inserts scripts or styles itself. */
export const NonceContext = createContext<string | undefined>(undefined)
