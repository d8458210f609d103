/** Kits, people, packing, the shelf and papers: loaders and actions as functions, on the real database. */
import { inflateSync } from 'node:zlib'
import ExcelJS from 'exceljs'
import { afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { drawLabelPdf } from '../../app/prepare/papers/draw/draw-label-pdf.server'
import { writePaperSheet } from '../../app/prepare/papers/draw/write-paper-sheet.server'
import { LABEL_SIZES, PAPER_NAMES } from '../../app/prepare/papers/paper'
import * as files from '../../app/prepare/routes/course-files/route'
import * as kits from '../../app/kit/routes/course-kits/route'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as colours from '../../app/kit/routes/kit-colours/route'
import * as cost from '../../app/kit/routes/kit-cost/route'
import * as cutting from '../../app/kit/routes/kit-cutting/route'
import * as packing from '../../app/kit/routes/kit-packing/route'
import * as paper from '../../app/prepare/routes/course-paper/route'
import * as people from '../../app/kit/routes/kit-people/route'
import * as shopping from '../../app/kit/routes/kit-shopping/route'
import * as ticks from '../../app/kit/routes/kit-ticks/route'
import * as tools from '../../app/kit/routes/kit-tools/route'
import * as shelf from '../../app/kit/routes/stock/route'
import * as shelfFiles from '../../app/kit/routes/stock-files/route'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { makeStudent } from '../support/demo-kit'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio
let courseId: string

beforeAll(freshDatabase)
beforeEach(async () => {
	process.env['CALYCINE_TODAY'] = '2026-03-02T10:00'
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio()
	const { to = '' } = await answerOf(
		newCourse.action(call(studio, '/courses/new', { body: demoCourse('Magnolia on Thursdays') })),
	)
	courseId = to.replace(/\D/g, '')
})
afterEach(() => {
	delete process.env['CALYCINE_TODAY']
})

const at = (page: string, body?: unknown, who: TestStudio = studio) =>
	call(who, `/courses/${courseId}/${page}`, { params: { courseId }, ...(body !== undefined && { body }) })

/** A plain form, as a browser without scripts would send it. */
function form(url: string, fields: Record<string, string>, who: TestStudio = studio) {
	const request = new Request(`http://localhost${url}`, { method: 'POST', body: new URLSearchParams(fields) })
	return { request, params: { courseId }, context: contextOf(who) } as never
}

async function fileOf(file: string, query = ''): Promise<Response> {
	const args = call(studio, `/courses/${courseId}/files/${file}${query}`, { params: { courseId, file } })
	return files.loader(args)
}

describe('people', () => {
	const students = [makeStudent({ name: 'Ada', avoids: ['egg'] }), makeStudent({ name: 'Bo', isLeftHanded: true })]

	test('change the kits, and are forgotten at once', async () => {
		expect(await people.action(at('kits/people', { students, version: 1 }))).toEqual({ saved: 2 })
		const { kit } = await kits.loader(at('kits'))
		expect(kit?.exchanges).toMatchObject([{ seatNumber: 1, instead: 'gum paste without egg' }])

		expect(await people.action(form('/x', { intent: 'forget', version: '2' }))).toEqual({ forgotten: true })
		expect((await people.loader(at('kits/people'))).students).toEqual([])
		expect((await kits.loader(at('kits'))).kit?.exchanges).toEqual([])
	})

	test('are refused by field, and by line of a file', async () => {
		const nameless = await answerOf(
			people.action(at('kits/people', { students: [{ ...students[0], name: ' ' }], version: 1 })),
		)
		expect(nameless.status).toBe(400)
		expect(nameless.refusal?.problems[0]).toEqual({ path: 'students[0].name', message: 'A name, or a nickname' })

		const file = await answerOf(
			people.action(form('/x', { intent: 'import', text: 'name,diet\nA,any\nB,moss', version: '1' })),
		)
		expect(file.refusal?.problems).toEqual([{ path: 'text', message: 'Line 3: "moss" is no diet' }])
		expect((await people.loader(at('kits/people'))).students).toEqual([])
	})

	test('go through a file and back', async () => {
		await people.action(at('kits/people', { students, version: 1 }))
		const csv = await (await fileOf('people.csv')).text()
		await people.action(form('/x', { intent: 'forget', version: '2' }))

		await people.action(form('/x', { intent: 'import', text: csv, version: '3' }))

		expect((await people.loader(at('kits/people'))).students).toEqual(students)
	})
})

describe('packing', () => {
	test('lines that no kit has cannot be packed', async () => {
		const answer = await answerOf(
			ticks.action(at('kits/packing', { intent: 'pack', ticks: [{ seat: 1, line: 'paste:none', amount: 1 }] })),
		)

		expect(answer).toMatchObject({ status: 400, refusal: { problems: [{ path: 'ticks' }] } })
	})

	test('keeps ticks, takes them out, begins again', async () => {
		const { lines } = await packing.loader(at('kits/packing'))
		const tick = { seat: 2, line: lines[0]?.key ?? '', amount: lines[0]?.amounts[2] ?? 0 }

		await ticks.action(at('kits/packing', { intent: 'pack', ticks: [tick, { ...tick, seat: 3 }] }))
		await ticks.action(at('kits/packing', { intent: 'unpack', ticks: [{ ...tick, seat: 3 }] }))
		expect((await packing.loader(at('kits/packing'))).ticks).toEqual([tick])

		await ticks.action(at('kits/packing', { intent: 'clear' }))
		expect((await packing.loader(at('kits/packing'))).ticks).toEqual([])
	})

	test('refuses what is no tick', async () => {
		const answer = await answerOf(
			ticks.action(at('kits/packing', { intent: 'pack', ticks: [{ seat: -1, line: 'x', amount: 1 }] })),
		)

		expect(answer.status).toBe(400)
	})
})

describe('the shelf', () => {
	const put = (fields: Record<string, string>) => shelf.action(form('/stock', { intent: 'item', ...fields }))

	test('with few tools lengthens the plan, which says that it is outdated', async () => {
		const minutesOf = async () => (await plan.loader(at('plan'))).isOutdated
		expect(await minutesOf()).toBe(false)
		const before = (await tools.loader(at('kits/tools'))).tools.find(({ tool }) => tool === 'petal veiner')
		expect(before?.ownedCount).toBeUndefined()

		await put({ kind: 'tool', name: 'Petal veiner', onHand: '1' })

		const after = (await tools.loader(at('kits/tools'))).tools.find(({ tool }) => tool === 'petal veiner')
		expect(after?.ownedCount).toBe(1)
		expect(after?.queueingMinutes).toBeGreaterThan(5)
		expect(await minutesOf()).toBe(true)
	})

	test('takes from the shopping list what is there, and prices what is sold', async () => {
		await put({ kind: 'paste', name: 'gum paste', onHand: '5000' })
		await shelf.action(form('/stock', { intent: 'supplier', name: 'Shop', leadDays: '3', delivery: '4.50' }))
		const { suppliers } = await shelf.loader(call(studio, '/stock'))
		const supplierId = String(suppliers[0]?.id)
		await shelf.action(
			form('/stock', { intent: 'offer', supplierId, kind: 'tape', name: 'floral tape', pack: '27', price: '2.60' }),
		)

		const { list } = await shopping.loader(at('kits/shopping'))
		const { price } = await cost.loader(at('kits/cost'))

		expect(list?.lines.find(({ key }) => key === 'paste:gum paste')?.toBuy).toBe(0)
		expect(list?.lines.find(({ kind }) => kind === 'tape')?.orders).toMatchObject([{ packCount: 1, costCents: 260 }])
		expect(list?.costCents).toBe(710)
		expect(price?.lines.find(({ kind }) => kind === 'tape')?.costCents).toBeGreaterThan(0)
	})

	test.each([
		{ fields: { kind: 'wire', name: 'white', onHand: '3' }, path: 'name', says: /as: 24 white 360 mm/ },
		{ fields: { kind: 'hat', name: 'x', onHand: '3' }, path: 'kind', says: /Choose a kind/ },
		{ fields: { kind: 'gel', name: 'red', onHand: '-3' }, path: 'onHand', says: /from 0/ },
	])('refuses $fields.kind $fields.name at its field', async ({ fields, path, says }) => {
		const { status, refusal } = await answerOf(put(fields))

		expect(status).toBe(400)
		expect(refusal?.problems).toContainEqual({ path, message: expect.stringMatching(says) })
	})

	test('goes through a file and back, and a bad line takes nothing', async () => {
		await put({ kind: 'offcut', name: '24 white 140 mm', onHand: '3' })
		const csv = await (await shelfFiles.loader(call(studio, '/x', { params: { file: 'shelf.csv' } }))).text()
		const [item] = (await shelf.loader(call(studio, '/stock'))).items
		await shelf.action(form('/stock', { intent: 'delete-item', id: String(item?.id), version: '1' }))

		await shelf.action(form('/stock', { intent: 'import', text: csv }))
		expect((await shelf.loader(call(studio, '/stock'))).items).toMatchObject([{ name: '24 white 140 mm', onHand: 3 }])

		const bad = await answerOf(
			shelf.action(form('/stock', { intent: 'import', text: `${csv}paste,new,g,1,,,,,\r\nhat,x,,1,,,,,` })),
		)
		expect(bad.refusal?.problems[0]?.message).toMatch(/^Line 4: "hat"/)
		expect((await shelf.loader(call(studio, '/stock'))).items).toHaveLength(1)
	})
})

test('the price of a course is kept in cents, and reckoned with', async () => {
	await cost.action(at('kits/cost', { price: 95.5, room: 90, payPerHour: 28, other: 0, version: 1 }))
	const bad = await answerOf(cost.action(at('kits/cost', { price: -1, room: 0, payPerHour: 0, other: 0, version: 1 })))

	const { money, price } = await cost.loader(at('kits/cost'))

	expect(bad.refusal?.problems[0]?.path).toBe('price')
	expect(money).toEqual({ priceCents: 9550, roomCents: 9000, payCentsPerHour: 2800, otherCents: 0 })
	expect(price?.incomeCents).toBe(8 * 9550)
	expect(price?.totalCents).toBeGreaterThan(9000)
})

describe('papers and files', () => {
	test('every paper is a page, a PDF, a CSV and a spreadsheet', async () => {
		for (const name of PAPER_NAMES) {
			const { paper: page } = await paper.loader(call(studio, '/x', { params: { courseId, paper: name } }))
			expect(page.blocks.length).toBeGreaterThan(0)

			const pdf = new Uint8Array(await (await fileOf(`${name}.pdf`)).arrayBuffer())
			expect(new TextDecoder().decode(pdf.slice(0, 5))).toBe('%PDF-')

			const book = new ExcelJS.Workbook()
			await book.xlsx.load(await (await fileOf(`${name}.xlsx`)).arrayBuffer())
			expect(book.worksheets[0]?.getCell('A1').value).toBe(page.title)
			expect((await fileOf(`${name}.csv`)).headers.get('Content-Disposition')).toMatch(/attachment/)
		}
		expect((await fileOf('labels.pdf', '?size=48x25')).headers.get('Content-Type')).toBe('application/pdf')
	})

	test('a name in other letters than those of the West prints as it is written', async () => {
		const print = async (head: string) => {
			const pdf = Buffer.from(await drawLabelPdf('labels', [{ head, lines: ['kit 1'] }], LABEL_SIZES[0]!))
			const streams = pdf.toString('latin1').matchAll(/stream\n([^]*?)\nendstream/g)
			// A reader of the file finds the letters in the font's table "to Unicode".
			const tables = [...streams].map(([, bytes = '']) => unpack(Buffer.from(bytes, 'latin1')))
			return { isOwn: pdf.includes('Fraunces'), table: tables.filter((one) => one.includes('begincmap')).join('') }
		}
		const [rare, usual] = [await print('Łucja Şen, Ελένη, Зоя'), await print('Zoë Łucja')]

		expect([usual.isOwn, rare.isOwn]).toEqual([true, false])
		for (const [printed, letters] of [
			[rare, 'ŁucjaŞenΕλένηЗоя'],
			[usual, 'ZoëŁucja'],
		] as const)
			for (const letter of letters)
				expect(printed.table).toContain(`<${letter.charCodeAt(0).toString(16).padStart(4, '0')}>`)
	})

	test('a spreadsheet holds text, whatever it begins with', async () => {
		const bytes = await writePaperSheet({
			name: 'packing',
			title: '=HYPERLINK("x")',
			subtitle: '@x',
			blocks: [{ type: 'table', heading: '+h', columns: [{ label: '-l' }], rows: [['=1+1']] }],
		})
		const book = new ExcelJS.Workbook()
		await book.xlsx.load(bytes.buffer)

		book.worksheets[0]?.eachRow((row) =>
			row.eachCell((cell) => expect([ExcelJS.ValueType.String, ExcelJS.ValueType.SharedString]).toContain(cell.type)),
		)
	})

	test('amounts and prices of a spreadsheet are numbers with their format', async () => {
		const book = new ExcelJS.Workbook()
		await book.xlsx.load(await (await fileOf('packing.xlsx')).arrayBuffer())

		const numbers: { value: unknown; format: string }[] = []
		book.worksheets[0]?.eachRow((row) =>
			row.eachCell(({ type, value, numFmt }) => {
				if (type === ExcelJS.ValueType.Number) numbers.push({ value, format: numFmt })
			}),
		)

		expect(numbers.length).toBeGreaterThan(10)
		expect(numbers.some(({ format }) => /^0(\.0+)?" g"$/.test(format))).toBe(true)
	})

	test('the course in the exchange form names nobody', async () => {
		await people.action(at('kits/people', { students: [makeStudent({ name: 'Nobody else' })] }))

		const text = await (await fileOf('course.json')).text()

		expect(text).not.toContain('Nobody else')
		expect(JSON.parse(text)).toMatchObject({ format: 'calycine-course', course: { studentCount: 8 } })
	})

	test('a paper that there is none of is not found', async () => {
		expect(await thrownBy(() => fileOf('secrets.pdf'))).toMatchObject({ init: { status: 404 } })
	})
})

test('another studio’s kits, people and papers are not there', async () => {
	const loaders = [kits, packing, cutting, colours, tools, people, shopping, cost]
	for (const { loader } of loaders)
		expect(await thrownBy(() => loader(at('kits', undefined, stranger)))).toMatchObject({ init: { status: 404 } })
	const student = { students: [makeStudent()], version: 1 }
	expect((await answerOf(people.action(at('kits/people', student, stranger)))).status).toBe(404)
	expect((await answerOf(people.action(form('/x', { intent: 'forget', version: '1' }, stranger)))).status).toBe(404)
	expect((await answerOf(ticks.action(at('x', { intent: 'clear' }, stranger)))).status).toBe(404)
	const price = { price: 1, room: 1, payPerHour: 1, other: 1, version: 1 }
	expect((await answerOf(cost.action(at('x', price, stranger)))).status).toBe(404)
	const file = call(stranger, '/x', { params: { courseId, file: 'people.csv' } })
	expect(await thrownBy(() => files.loader(file))).toMatchObject({ init: { status: 404 } })
})

/** A stream of a PDF in clear, or nothing where it is no packed one. */
function unpack(bytes: Buffer): string {
	try {
		return inflateSync(bytes).toString('latin1')
	} catch {
		return ''
	}
}
