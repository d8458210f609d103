/** What people of a studio are in it; each may all that those before it may. */
export const ROLES = ['guest', 'assistant', 'instructor', 'owner'] as const
export type Role = (typeof ROLES)[number]

/** Whether somebody of that role may what needs the other. */
export function isAtLeast(role: Role, needed: Role): boolean {
	return ROLES.indexOf(role) >= ROLES.indexOf(needed)
}
