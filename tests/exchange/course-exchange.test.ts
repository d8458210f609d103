import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { CoursePin } from '../../core/course/course-pin'
import type { Placement } from '../../core/plan/problem/plan'
import { PACES, type Course } from '../../core/course/course'
import { dayCourse } from '../../core/drying/climate-presets'
import type { Place } from '../../core/drying/place'
import { ORDINARY_TERMS, roomOf, storeOf, type PlanTerms } from '../../core/plan/compile/drying-terms'
import { ALLERGENS } from '../../core/vocabulary/allergen'
import { InputError } from '../../core/errors'
import { DIETS } from '../../core/kit/student'
import { readCourseDocument, writeCourseDocument } from '../../exchange/course/course-document'
import { tablesCsv, toCsv } from '../../exchange/csv'
import { peopleCsv, readPeopleCsv } from '../../exchange/course/people-csv'
import { readStockCsv, stockCsv } from '../../exchange/kit/stock-csv'
import { demoCourse, demoDesign } from '../support/demo-designs'
import { makeStudent } from '../support/demo-kit'

const BENCH: Place = {
	id: 7,
	kind: 'room',
	name: 'Bench',
	movement: 'airy',
	climate: { type: 'steady', temperatureC: 19, humidity: 0.57 },
}
const CUPBOARD: Place = {
	id: 3,
	kind: 'store',
	name: 'Cupboard',
	movement: 'still',
	climate: { type: 'day', hours: dayCourse({ low: 20, high: 26, wettest: 0.5, driest: 0.35 }) },
}

const plain = {
	format: 'calycine-course',
	formatVersion: 2,
	course: {
		name: 'Test',
		studentCount: 4,
		designs: [{ designId: 'magnolia' }],
		sessions: [{ date: '2026-03-05', startMin: 600, endMin: 720 }],
	},
	designs: [demoDesign('magnolia')],
}

function problemsOf(document: unknown): string[] {
	try {
		readCourseDocument(document)
		return []
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		return error.problems.map(({ path, message }) => `${path} ${message}`)
	}
}

describe('a course in the exchange form', () => {
	test('is read back as it was written', () => {
		const course = demoCourse('Magnolia on Thursdays')
		const document = {
			course,
			designs: [demoDesign('magnolia')],
			students: [makeStudent({ name: 'One', avoids: ['egg'] })],
			stockLengthsMm: [360],
			terms: { ...ORDINARY_TERMS, confidence: 0.8, places: [BENCH, CUPBOARD], ownedTools: { veiner: 3 } },
			plan: undefined,
		}

		const read = readCourseDocument(JSON.parse(JSON.stringify(writeCourseDocument(document))))

		const { terms, ...plainDocument } = document
		expect(read).toMatchObject(plainDocument)
		expect(read.terms).toMatchObject({ confidence: 0.8, ownedTools: { veiner: 3 } })
		// Places are told by what they are; their numbers are the document's own.
		const plan = (given: PlanTerms, sessions: Course['sessions'], storeId?: number) =>
			sessions.map(({ roomId }) => [roomOf(given, roomId), storeOf(given, storeId)].map(({ id: _, ...place }) => place))
		expect(plan(read.terms, read.course.sessions, read.course.storeId)).toEqual(plan(terms, course.sessions))
		expect(readCourseDocument(JSON.parse(JSON.stringify(writeCourseDocument(read))))).toEqual(read)
	})

	test('brings what is settled, and its plan, whatever they are', () => {
		const task = fc.string({ minLength: 1, maxLength: 30 })
		const session = fc.integer({ min: 1, max: 3 })
		const pin = fc.oneof<fc.Arbitrary<CoursePin>[]>(
			fc.record({ kind: fc.constant('session'), task, session }),
			fc.record({ kind: fc.constant('start'), task, session, minuteOfDay: fc.integer({ min: 0, max: 1440 }) }),
			fc.record({ kind: fc.constant('place'), task, place: fc.constantFrom('class', 'ahead', 'home', 'dropped') }),
			fc.record({ kind: fc.constant('swap'), from: task, to: task, isSwapped: fc.boolean() }),
		)
		const run = fc.record({ start: fc.integer({ min: 0, max: 40_000 }), units: fc.integer({ min: 1, max: 30 }) })
		const placement = fc.oneof<fc.Arbitrary<Placement>[]>(
			fc.record({ place: fc.constantFrom('class', 'home'), runs: fc.array(run, { maxLength: 4 }) }),
			fc.record({ place: fc.constantFrom('ahead', 'dropped') }),
		)
		const named = fc.record({
			placements: fc.dictionary(fc.stringMatching(/^[a-z/]{1,12}$/), placement, { noNullPrototype: true }),
			swaps: fc.array(task, { maxLength: 4 }),
			breaks: fc.array(fc.integer({ min: 0, max: 40_000 }), { maxLength: 3 }),
			extension: fc.constant(0),
		})
		const designs = [demoDesign('magnolia')]
		fc.assert(
			fc.property(fc.array(pin, { minLength: 1, maxLength: 8 }), named, (pins, plan) => {
				const course = { ...demoCourse('Magnolia on Thursdays'), pins }
				const terms = { ...ORDINARY_TERMS, places: [BENCH, CUPBOARD] }
				const written = writeCourseDocument({ course, designs, students: [], stockLengthsMm: [360], terms, plan })

				const read = readCourseDocument(JSON.parse(JSON.stringify(written)))

				expect(read.course.pins).toEqual(pins)
				expect(read.plan).toEqual(plan)
			}),
			{ numRuns: 40 },
		)
	})

	test('of the first form is the same course, in an ordinary room', () => {
		const { terms, course } = readCourseDocument({ ...plain, formatVersion: 1 })

		expect(terms).toEqual({ ...ORDINARY_TERMS, ownedTools: {} })
		expect(course).toEqual(readCourseDocument(plain).course)
	})

	test('may make one design in several ways', () => {
		const twice = [{ designId: 'magnolia' }, { designId: 'magnolia', key: 'small', name: 'Small ones' }]

		const { course, designs } = readCourseDocument({ ...plain, course: { ...plain.course, designs: twice } })

		expect(course.designs.map(({ key, name }) => [key, name])).toEqual([
			[undefined, undefined],
			['small', 'Small ones'],
		])
		expect(designs.map(({ id }) => id)).toEqual(['magnolia', 'magnolia'])
	})

	test('may leave out what is usual', () => {
		expect(readCourseDocument(plain)).toMatchObject({
			course: { pace: 'improvers', demoFlowers: 1, designs: [{ flowersPerStudent: 1, picks: {} }] },
			students: [],
			stockLengthsMm: [360],
			kitTerms: { rerollLoss: 0.05 },
		})
	})

	test.each([
		{ name: 'a newer format', document: { ...plain, formatVersion: 3 }, says: /newer Calycine \(format 3\)/ },
		{
			name: 'a design that is not there',
			document: { ...plain, course: { ...plain.course, designs: [{ designId: 'iris' }] } },
			says: /^\/course\/designs\/0\/designId there is no design "iris"/,
		},
		{
			name: 'a broken design',
			document: { ...plain, designs: [{ format: 'calycine-design' }] },
			says: /^\/designs\/0/,
		},
		{
			name: 'more people than places',
			document: { ...plain, students: Array.from({ length: 5 }, () => ({ name: 'x' })) },
			says: /^\/students must be at most the 4/,
		},
		{
			name: 'a choice that the design does not have',
			document: {
				...plain,
				course: { ...plain.course, designs: [{ designId: 'magnolia', picks: { leaves: 'many' } }] },
			},
			says: /^\/course\/designs\/0\/picks\/leaves /,
		},
		{
			name: 'a room that is not there',
			document: {
				...plain,
				course: { ...plain.course, sessions: plain.course.sessions.map((one) => ({ ...one, room: 'attic' })) },
			},
			says: /^\/course\/sessions\/0\/room there is no room "attic"/,
		},
		{
			name: 'a room that is there twice',
			document: {
				...plain,
				rooms: ['a', 'b', 'a'].map((id) => ({ id, climate: { temperatureC: 20, humidity: 0.5 } })),
			},
			says: /^\/rooms\/2\/id is there twice/,
		},
		{
			name: 'a day of fewer than 24 hours',
			document: { ...plain, store: { climate: [{ temperatureC: 20, humidity: 0.5 }] } },
			says: /^\/store\/climate must NOT have fewer than 24 items/,
		},
		{
			name: 'a zone that there is none of',
			document: { ...plain, zone: 'Sea/Bottom' },
			says: /^\/zone there is no such/,
		},
		{
			name: 'a word that there is none for',
			document: { ...plain, colour: 1 },
			says: /additional properties "colour"/,
		},
	])('refuses $name, and says where', ({ document, says }) => {
		expect(problemsOf(document).some((problem) => says.test(problem))).toBe(true)
	})
})

describe('people as CSV', () => {
	const anyName = fc.string({ minLength: 1, maxLength: 40, unit: 'grapheme' }).map((text) => text.trim())
	const anyStudent = fc
		.record({
			name: anyName.filter((name) => name !== '' && !/^['=+\-@]/.test(name) && !/[\r\n\0]/.test(name)),
			level: fc.option(fc.constantFrom(...PACES), { nil: undefined }),
			isLeftHanded: fc.boolean(),
			avoids: fc.subarray([...ALLERGENS]),
			diet: fc.constantFrom(...DIETS),
			isChild: fc.boolean(),
		})
		.map(({ level, ...student }) => makeStudent({ ...student, ...(level && { level }) }))

	test('come back as they went', () => {
		fc.assert(
			fc.property(fc.array(anyStudent, { minLength: 1, maxLength: 12 }), (students) => {
				expect(readPeopleCsv(peopleCsv(students))).toEqual({ students, bad: [] })
			}),
			{ numRuns: 300 },
		)
	})

	test('are read however the cells are parted, and whatever stands in them', () => {
		const students = [
			makeStudent({ name: 'a;b;c;d;e;f;g|h', notes: 'x;y;z' }),
			makeStudent({ name: 'i;j;k;l;m;n;o;p;q' }),
		]

		expect(readPeopleCsv(peopleCsv(students)).students).toEqual(students)
		expect(readPeopleCsv('name;avoids\nNell;egg').students).toMatchObject([{ name: 'Nell', avoids: ['egg'] }])
	})

	test('name the lines that make no sense', () => {
		const { students, bad } = readPeopleCsv('Name,Level,Avoids\nA,beginners,egg\n,,\nB,wizard,\nC,,dust')

		expect(students.map(({ name }) => name)).toEqual(['A'])
		expect(bad).toEqual([
			{ line: 4, problem: '"wizard" is no level' },
			{ line: 5, problem: expect.stringMatching(/"dust" is not among egg/) },
		])
	})
})

describe('the shelf as CSV', () => {
	const stock = {
		items: [
			{ kind: 'paste' as const, name: 'gum paste', unit: 'mg' as const, onHand: 180_500 },
			{ kind: 'ingredient' as const, name: 'CMC powder', unit: 'µl' as const, onHand: 40_000 },
			{ kind: 'wire' as const, name: '24 white 360 mm', unit: 'piece' as const, onHand: 3 },
		],
		suppliers: [{ id: 's', name: 'Shop, the old one', leadDays: 3, deliveryCents: 390 }],
		offers: [
			{ id: 'o', supplierId: 's', itemId: 'paste:gum paste', amount: 250_000, priceCents: 340 },
			{ id: 'p', supplierId: 's', itemId: 'tape:floral tape', amount: 27_000, priceCents: 260 },
		],
	}

	test('comes back with its packs, those of things not on the shelf too', () => {
		const { rows, bad } = readStockCsv(stockCsv(stock))

		expect(bad).toEqual([])
		expect(rows.map(({ item }) => item)).toEqual([
			...stock.items,
			{ kind: 'tape', name: 'floral tape', unit: 'mm', onHand: 0 },
		])
		expect(rows.flatMap(({ offer }) => offer ?? [])).toEqual([
			{ supplierName: 'Shop, the old one', leadDays: 3, deliveryCents: 390, amount: 250_000, priceCents: 340 },
			{ supplierName: 'Shop, the old one', leadDays: 3, deliveryCents: 390, amount: 27_000, priceCents: 260 },
		])
	})

	test.each([
		{ line: 'hats,bowler,,1,,,,,', says: /"hats" is none of/ },
		{ line: 'wire,white,,1,,,,,', says: /must say gauge, colour and length/ },
		{ line: 'paste,gum paste,g,lots,,,,,', says: /"lots" is no amount/ },
		{ line: 'paste,gum paste,g,1,Shop,2,0,,5', says: /no size of a pack/ },
		{ line: 'paste,gum paste,g,1,Shop,2,0,250,dear', says: /"dear" is no price/ },
	])('says what is wrong with $line', ({ line, says }) => {
		const { rows, bad } = readStockCsv(`kind,name,unit,on hand,supplier,lead days,delivery,pack,price\n${line}`)

		expect(rows).toEqual([])
		expect(bad).toEqual([{ line: 2, problem: expect.stringMatching(says) }])
	})
})

test('no cell of a file begins a formula', () => {
	const words = ['=1+1', '+x', '-x', '@x', '\tx', '=cmd|x']
	const csv =
		toCsv(words.map((a) => ({ a }))) +
		tablesCsv([{ heading: '=h', columns: [{ label: '@l' }], rows: words.map((w) => [w]) }])

	for (const cell of csv.replaceAll('\uFEFF', '').split(/\r\n/)) expect(cell).not.toMatch(/^"?[=+\-@\t]/)
})
