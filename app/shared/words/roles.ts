import type { Role } from '../../../core/vocabulary/role'

/** What somebody of the role may do. */
export const ROLE_WORDS: Record<Role, string> = {
	guest: 'looks at everything but people and prices',
	assistant: 'runs classes, packs kits and does work before class; sees what a kit exchanges, not why',
	instructor: 'plans, teaches, and changes everything but the people of the studio',
	owner: 'everything',
}
