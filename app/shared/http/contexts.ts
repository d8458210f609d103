/** What the server hands to loaders and actions of one request. */
import { createContext } from 'react-router'
import type { Member } from '../../../db/repositories/sign-ins.server'

/** Nonce of the inline scripts of this answer; null in development, which sets none. */
export const nonceContext = createContext<string | null>(null)

/** Who is signed in. Set by the middleware of every route that needs somebody. */
export const memberContext = createContext<Member>()
