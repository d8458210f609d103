/** Studios in the tests' database, each test with its own. */
import { RouterContextProvider } from 'react-router'
import { memberContext } from '../../app/shared/http/contexts'
import { closeDatabase, inTransaction, openDatabase } from '../../db/connection.server'
import { migrate } from '../../db/migrate.server'
import { createStudio } from '../../db/repositories/accounts.server'
import { createSignIn, findMember, type Member } from '../../db/repositories/sign-ins.server'
import { hashPassword } from '../../db/password-hash.server'
import { createDesign } from '../../db/repositories/designs.server'
import { demoDesign } from './demo-designs'

const PASSWORD = 'a long word for the door'
/** Slow on purpose, so made once for all. */
let passwordHash: Promise<string> | undefined

let count = 0

export interface TestStudio {
	studioId: number
	userId: number
	email: string
	password: string
	member: Member
}

/** Empties the database and brings it to the newest migration. */
export async function freshDatabase(): Promise<void> {
	const database = openDatabase()
	await database.query('SET FOREIGN_KEY_CHECKS = 0')
	await database.getQueryInterface().dropAllTables()
	// The setting belongs to one connection of the pool, and nobody knows which: none of them may be used again.
	await closeDatabase()
	openDatabase()
	await migrate()
}

/** A studio with one user and, in its design book, the designs named. */
export async function foundStudio(designIds: readonly string[] = []): Promise<TestStudio> {
	const email = `teacher-${++count}@studio.example`
	const { studioId, userId } = await createStudio(
		{ name: `Studio ${count}`, timeZone: 'Europe/London', gaugeStandard: 'swg', wireLengthsMm: [360] },
		{ name: 'Test Teacher', email, passwordHash: await (passwordHash ??= hashPassword(PASSWORD)) },
	)
	await inTransaction(async (transaction) => {
		for (const id of designIds) await createDesign(studioId, demoDesign(id), transaction)
	})
	const member = await findMember(await createSignIn(userId, new Date()), new Date())
	if (!member) throw new Error('the sign-in just made is not found')
	return { studioId, userId, email, password: PASSWORD, member }
}

/** What the server hands to loaders and actions for somebody of the studio. */
export function contextOf({ member }: TestStudio): RouterContextProvider {
	const context = new RouterContextProvider()
	context.set(memberContext, member)
	return context
}
