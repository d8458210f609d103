import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { NO_MONEY } from '../../core/kit/price-course'
import { inTransaction } from '../../db/connection.server'
import {
	createCourse,
	deleteCourse,
	getCourse,
	getCourseMoney,
	updateCourse,
	updateCourseMoney,
} from '../../db/repositories/courses.server'
import { changeTicks, clearTicks, listTicks } from '../../db/repositories/packing.server'
import { deleteOffer, saveOffer } from '../../db/repositories/stock/offers.server'
import { readStock, toStock } from '../../db/repositories/stock/read-stock.server'
import { deleteStockItem, saveStockItem } from '../../db/repositories/stock/shelf.server'
import { deleteSupplier, saveSupplier } from '../../db/repositories/stock/suppliers.server'
import { takeStock } from '../../db/repositories/stock/take-stock.server'
import { deleteStudents, getRoster, replaceStudents } from '../../db/repositories/students.server'
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
const seat = (students = people) => replaceStudents(studio.studioId, courseId, { students })

describe('people', () => {
	test('come back as they were, in the order of their seats, and are forgotten in one go', async () => {
		await seat()
		const { students, version } = await getRoster(studio.studioId, courseId)
		expect(students).toEqual(people)

		await deleteStudents(studio.studioId, courseId, version)
		expect((await getRoster(studio.studioId, courseId)).students).toEqual([])
	})

	test('saved, imported or forgotten over a newer list are refused, and the newer list stays', async () => {
		await seat()
		const { version } = await getRoster(studio.studioId, courseId)
		await replaceStudents(studio.studioId, courseId, { students: people.slice(1), version })

		const late = [
			replaceStudents(studio.studioId, courseId, { students: people, version }),
			deleteStudents(studio.studioId, courseId, version),
		]

		await Promise.all(late.map((answer) => expect(answer).rejects.toThrow(ConflictError)))
		expect((await getRoster(studio.studioId, courseId)).students).toEqual(people.slice(1))
	})

	test('named already keep the course from having fewer places', async () => {
		await seat()
		const course = await getCourse(studio.studioId, courseId)

		const change = inTransaction((t) => updateCourse(studio.studioId, { ...course, studentCount: 1 }, t))

		await expect(change).rejects.toMatchObject({ problems: [{ path: 'studentCount' }] })
		expect((await getRoster(studio.studioId, courseId)).students).toHaveLength(2)
	})

	test('are at most as many as the course has places', async () => {
		await expect(seat(Array.from({ length: 9 }, () => makeStudent()))).rejects.toThrow(InputError)
	})

	test('are the studio’s own, and go with their course', async () => {
		await seat()

		await expect(getRoster(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
		await expect(deleteStudents(stranger.studioId, courseId, 1)).rejects.toThrow(NotFoundError)
		await expect(replaceStudents(stranger.studioId, courseId, { students: people })).rejects.toThrow(NotFoundError)
		await deleteCourse(studio.studioId, courseId, 1)
		await expect(getRoster(studio.studioId, courseId)).rejects.toThrow(NotFoundError)
	})
})

describe('packed lines', () => {
	const ticks = [
		{ seat: 0, line: 'paste:gum paste:ivory', amount: 32_400 },
		{ seat: 3, line: 'tool:ball tool', amount: 1 },
	]

	const [first, second] = ticks as [(typeof ticks)[0], (typeof ticks)[0]]
	const at = (minute: number) => new Date(Date.UTC(2026, 2, 2, 18, minute))
	const change = (minute: number, isPacked: boolean, list = [second]) =>
		changeTicks(
			studio.studioId,
			courseId,
			list.map((tick) => ({ ...tick, isPacked, at: at(minute) })),
		)

	test('are kept with their amount, changed, taken out and cleared', async () => {
		await change(0, true, ticks)
		await change(1, true, [{ ...first, amount: 40_000 }])
		expect(await listTicks(studio.studioId, courseId)).toEqual([{ ...first, amount: 40_000 }, second])

		await change(2, false)
		expect(await listTicks(studio.studioId, courseId)).toHaveLength(1)

		await clearTicks(studio.studioId, courseId, at(3))
		expect(await listTicks(studio.studioId, courseId)).toEqual([])
	})

	test('changed by two devices are as the later change says, in whatever order the two come', async () => {
		await change(0, true)
		await change(5, false)
		// A device without a network for a while.
		await change(3, true)
		expect(await listTicks(studio.studioId, courseId)).toEqual([])

		await change(7, true)
		expect(await listTicks(studio.studioId, courseId)).toEqual([second])
	})

	test('stay when everything else is unpacked by a window that has not seen them', async () => {
		await change(0, true, [first])
		await change(9, true)

		await clearTicks(studio.studioId, courseId, at(5))

		expect(await listTicks(studio.studioId, courseId)).toEqual([second])
	})

	test('of before everything was unpacked do not come back with a late device', async () => {
		await clearTicks(studio.studioId, courseId, at(5))

		await change(3, true)

		expect(await listTicks(studio.studioId, courseId)).toEqual([])
	})

	test('of another studio cannot be read or written', async () => {
		await expect(listTicks(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
		const foreign = [{ ...first, isPacked: true, at: at(0) }]
		await expect(changeTicks(stranger.studioId, courseId, foreign)).rejects.toThrow(NotFoundError)
	})
})

describe('the shelf', () => {
	const paste = { kind: 'paste' as const, name: 'gum paste', unit: 'mg' as const, onHand: 180_000 }

	test('has a thing once, however its name is written', async () => {
		await saveStockItem(studio.studioId, paste)

		const again = saveStockItem(studio.studioId, { ...paste, name: 'Gum  Paste', onHand: 5 })

		await expect(again).rejects.toThrow(ConflictError)
		expect((await readStock(studio.studioId)).items).toMatchObject([{ name: 'gum paste', onHand: 180_000 }])
	})

	test('knows its suppliers by name, and their packs go with them', async () => {
		const supplier = { name: 'Shop', leadDays: 3, deliveryCents: 390 }
		const supplierId = await saveSupplier(studio.studioId, supplier)
		const pack = { supplierId, itemKey: 'paste:gum paste', amount: 250_000 }
		await saveOffer(studio.studioId, { ...pack, priceCents: 340 })

		expect(toStock(await readStock(studio.studioId)).offers).toMatchObject([
			{ supplierId: String(supplierId), itemId: 'paste:gum paste', amount: 250_000, priceCents: 340 },
		])
		await expect(saveOffer(studio.studioId, { ...pack, priceCents: 360 })).rejects.toThrow(/3\.40/)
		await expect(saveSupplier(studio.studioId, supplier)).rejects.toThrow(ConflictError)
		await deleteSupplier(studio.studioId, { id: supplierId, version: 1 })
		expect((await readStock(studio.studioId)).offers).toEqual([])
	})

	test('changed or deleted by a window that has seen an older line is refused, and says what stands there', async () => {
		await saveStockItem(studio.studioId, paste)
		const supplierId = await saveSupplier(studio.studioId, { name: 'Shop', leadDays: 0, deliveryCents: 0 })
		await saveOffer(studio.studioId, { supplierId, itemKey: 'paste:gum paste', amount: 1, priceCents: 100 })
		const { items, suppliers, offers } = await readStock(studio.studioId)
		const [row, shop, offer] = [items[0], suppliers[0], offers[0]]
		await saveStockItem(studio.studioId, { ...paste, onHand: 90_000 }, { row })
		await saveSupplier(studio.studioId, { name: 'Shop', leadDays: 4, deliveryCents: 0 }, { row: shop })
		await saveOffer(studio.studioId, { ...offer!, priceCents: 120 }, { row: offer })

		await expect(saveStockItem(studio.studioId, paste, { row })).rejects.toThrow(/90 g/)
		await expect(deleteStockItem(studio.studioId, row!)).rejects.toThrow(ConflictError)
		await expect(deleteSupplier(studio.studioId, shop!)).rejects.toThrow(/4 days/)
		await expect(deleteOffer(studio.studioId, offer!)).rejects.toThrow(/1\.20/)
		expect((await readStock(studio.studioId)).items).toMatchObject([{ onHand: 90_000, version: 2 }])
	})

	test('takes a file of thousands of lines in a few statements', async () => {
		const entries = Array.from({ length: 6000 }, (_, k) => ({
			item: { ...paste, name: `line ${k}` },
			offer: { supplierName: `Shop ${k % 7}`, leadDays: 1, deliveryCents: 0, amount: 1000, priceCents: k },
		}))

		await takeStock(studio.studioId, entries)
		await takeStock(studio.studioId, entries)

		const { items, suppliers, offers } = await readStock(studio.studioId)
		expect([items.length, suppliers.length, offers.length]).toEqual([6000, 7, 6000])
		expect(items[0]?.version).toBe(2)
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
		await expect(deleteStockItem(stranger.studioId, item!)).rejects.toThrow(NotFoundError)
		await expect(saveStockItem(stranger.studioId, paste, { row: item })).rejects.toThrow(NotFoundError)
		await expect(deleteSupplier(stranger.studioId, { id: supplierId, version: 1 })).rejects.toThrow(NotFoundError)
		await expect(deleteOffer(stranger.studioId, offer!)).rejects.toThrow(NotFoundError)
		await expect(
			saveOffer(stranger.studioId, { supplierId, itemKey: 'paste:a', amount: 1, priceCents: 1 }),
		).rejects.toThrow(NotFoundError)
	})
})

test('what a course costs is kept, and is the studio’s own', async () => {
	const money = { priceCents: 9500, roomCents: 9000, payCentsPerHour: 2800, otherCents: 0 }
	expect(await getCourseMoney(studio.studioId, courseId)).toEqual({ money: NO_MONEY, version: 1 })

	await updateCourseMoney(studio.studioId, courseId, { money, version: 1 })

	expect(await getCourseMoney(studio.studioId, courseId)).toEqual({ money, version: 2 })
	const late = updateCourseMoney(studio.studioId, courseId, { money: NO_MONEY, version: 1 })
	await expect(late).rejects.toThrow(ConflictError)
	await expect(getCourseMoney(stranger.studioId, courseId)).rejects.toThrow(NotFoundError)
	await expect(updateCourseMoney(stranger.studioId, courseId, { money, version: 1 })).rejects.toThrow(NotFoundError)
})
