import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { NO_MONEY } from '../../core/kits/price-course'
import { inTransaction } from '../../db/connection.server'
import { createCourse, deleteCourse, getCourseMoney, updateCourseMoney } from '../../db/repositories/courses.server'
import { addTicks, clearTicks, listTicks, removeTicks } from '../../db/repositories/packing.server'
import {
	deleteOffer,
	deleteStockItem,
	deleteSupplier,
	readStock,
	saveOffer,
	saveStockItem,
	saveSupplier,
	takeStock,
	toStock,
} from '../../db/repositories/stock.server'
import { deleteStudents, listStudents, replaceStudents } from '../../db/repositories/students.server'
import { demoCourse } from '../support/demo-designs'
import { makeStudent } from '../support/demo-kit'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio
let courseId: number

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio()
	courseId = await inTransaction((t) => createCourse(studio.studioId, demoCourse('Magnolia on Thursdays'), t))
})

const people = [
	makeStudent({ name: 'First', level: 'beginners', avoids: ['egg'] }),
	makeStudent({ name: 'Second', diet: 'vegan' }),
]
const seat = (list = people) => inTransaction((t) => replaceStudents(studio.studioId, courseId, list, t))

describe('people', () => {
	test('come back as they were, in the order of their seats, and are forgotten in one go', async () => {
		await seat()
		expect(await listStudents(studio.studioId, courseId)).toEqual(people)

		await deleteStudents(studio.studioId, courseId)
		expect(await listStudents(studio.studioId, courseId)).toEqual([])
	})

	test('are at most as many as the course has places', async () => {
		await expect(seat(Array.from({ length: 9 }, () => makeStudent()))).rejects.toThrow(InputError)
	})

	test('are the studio’s own, and go with their course', async () => {
		await seat()

		await expect(listStudents(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
		await expect(deleteStudents(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
		await expect(inTransaction((t) => replaceStudents(stranger.studioId, courseId, people, t))).rejects.toThrow(
			NotFoundError,
		)
		await deleteCourse(studio.studioId, courseId)
		await expect(listStudents(studio.studioId, courseId)).rejects.toThrow(NotFoundError)
	})
})

describe('packed lines', () => {
	const ticks = [
		{ seat: 0, line: 'paste:gum paste:ivory', amount: 32_400 },
		{ seat: 3, line: 'tool:ball tool', amount: 1 },
	]

	test('are kept with their amount, changed, taken out and cleared', async () => {
		await addTicks(studio.studioId, courseId, ticks, new Date())
		await addTicks(studio.studioId, courseId, [{ ...ticks[0]!, amount: 40_000 }], new Date())
		expect(await listTicks(studio.studioId, courseId)).toEqual([{ ...ticks[0], amount: 40_000 }, ticks[1]])

		await removeTicks(studio.studioId, courseId, [{ seat: 3, line: 'tool:ball tool' }])
		expect(await listTicks(studio.studioId, courseId)).toHaveLength(1)

		await clearTicks(studio.studioId, courseId)
		expect(await listTicks(studio.studioId, courseId)).toEqual([])
	})

	test('of another studio cannot be read or written', async () => {
		await expect(listTicks(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
		await expect(addTicks(stranger.studioId, courseId, ticks, new Date())).rejects.toThrow(NotFoundError)
	})
})

describe('the shelf', () => {
	const paste = { kind: 'paste' as const, name: 'gum paste', unit: 'mg' as const, onHand: 180_000 }

	test('has a thing once, however its name is written', async () => {
		await saveStockItem(studio.studioId, paste)
		await saveStockItem(studio.studioId, { ...paste, name: 'Gum  Paste', onHand: 5 })

		expect((await readStock(studio.studioId)).items).toMatchObject([{ name: 'Gum  Paste', onHand: 5 }])
	})

	test('knows its suppliers by name, and their packs go with them', async () => {
		const supplier = { name: 'Shop', leadDays: 3, deliveryCents: 390 }
		const supplierId = await saveSupplier(studio.studioId, supplier)
		await saveOffer(studio.studioId, { supplierId, itemKey: 'paste:gum paste', amount: 250_000, priceCents: 340 })
		await saveOffer(studio.studioId, { supplierId, itemKey: 'paste:gum paste', amount: 250_000, priceCents: 360 })

		expect(toStock(await readStock(studio.studioId)).offers).toMatchObject([
			{ supplierId: String(supplierId), itemId: 'paste:gum paste', amount: 250_000, priceCents: 360 },
		])
		await expect(saveSupplier(studio.studioId, supplier)).rejects.toThrow(ConflictError)
		await deleteSupplier(studio.studioId, supplierId)
		expect((await readStock(studio.studioId)).offers).toEqual([])
	})

	test('takes all lines of a file or none', async () => {
		const offer = { supplierName: 'Shop', leadDays: 1, deliveryCents: 0, amount: 1000, priceCents: 5 }
		await takeStock(studio.studioId, [
			{ item: paste, offer },
			{ item: { ...paste, name: 'other' }, offer },
		])
		expect((await readStock(studio.studioId)).suppliers).toHaveLength(1)

		const bad = { item: { ...paste, name: 'x'.repeat(300) } }
		await expect(takeStock(studio.studioId, [{ item: { ...paste, name: 'third' } }, bad])).rejects.toThrow()
		expect((await readStock(studio.studioId)).items).toHaveLength(2)
	})

	test('of another studio cannot be read or changed', async () => {
		await saveStockItem(studio.studioId, paste)
		const supplierId = await saveSupplier(studio.studioId, { name: 'Shop', leadDays: 0, deliveryCents: 0 })
		const [item] = (await readStock(studio.studioId)).items
		await saveOffer(studio.studioId, { supplierId, itemKey: 'paste:gum paste', amount: 1, priceCents: 1 })
		const [offer] = (await readStock(studio.studioId)).offers

		expect(await readStock(stranger.studioId)).toEqual({ items: [], suppliers: [], offers: [] })
		await expect(deleteStockItem(stranger.studioId, item?.id ?? 0)).rejects.toThrow(NotFoundError)
		await expect(saveStockItem(stranger.studioId, { ...paste, id: item?.id ?? 0 })).rejects.toThrow(NotFoundError)
		await expect(deleteSupplier(stranger.studioId, supplierId)).rejects.toThrow(NotFoundError)
		await expect(deleteOffer(stranger.studioId, offer?.id ?? 0)).rejects.toThrow(NotFoundError)
		await expect(
			saveOffer(stranger.studioId, { supplierId, itemKey: 'paste:a', amount: 1, priceCents: 1 }),
		).rejects.toThrow(NotFoundError)
	})
})

test('what a course costs is kept, and is the studio’s own', async () => {
	const money = { priceCents: 9500, roomCents: 9000, payCentsPerHour: 2800, otherCents: 0 }
	expect(await getCourseMoney(studio.studioId, courseId)).toEqual(NO_MONEY)

	await updateCourseMoney(studio.studioId, courseId, money)

	expect(await getCourseMoney(studio.studioId, courseId)).toEqual(money)
	await expect(getCourseMoney(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
	await expect(updateCourseMoney(stranger.studioId, courseId, money)).rejects.toThrow(NotFoundError)
})
