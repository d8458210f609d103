/** Papers of a course, drawn as PDF and read back by an independent reader: words, sheets, true size, nobody else's secrets. */
import { unzipSync } from 'fflate'
import { beforeAll, describe, expect, test } from 'vitest'
import { listTemplates } from '../../core/design/design-templates'
import { resolveDesign } from '../../core/design/resolve-design'
import { PAPERS } from '../../core/outlines/template-sheet'
import { loader as loadPaper } from '../../app/prepare/routes/course-paper/route'
import { loader as loadFile } from '../../app/prepare/routes/course-files/route'
import { PAPER_NAMES } from '../../app/prepare/papers/paper'
import { createPlannedCourse } from '../../app/plan/save-course.server'
import { memberContext } from '../../app/shared/http/contexts'
import { saveStockItem } from '../../db/repositories/stock/shelf.server'
import { replaceStudents } from '../../db/repositories/students.server'
import { call } from '../support/call-route'
import { demoCourse, demoDesign } from '../support/demo-designs'
import { makeStudent } from '../support/demo-kit'
import { readPdf, type PdfRead } from '../support/read-pdf'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const LONGEST = 'Wilhelmina-Friederike von und zu Oberwittelsbach-Niederlausitz the Younger'.padEnd(80, 'e')

let who: TestStudio
let courseId: string

beforeAll(async () => {
	await freshDatabase()
	who = await foundStudio(['magnolia', 'calla-lily'])
	const { studio } = contextOf(who).get(memberContext)
	const magnolia = demoCourse('Magnolia on Thursdays')
	const course = {
		...magnolia,
		name: 'A'.repeat(3) + ' very long name of a course on Thursdays, in the hall behind the old mill',
	}
	courseId = String(await createPlannedCourse(studio, course))
	await replaceStudents(studio.id, Number(courseId), {
		students: [
			makeStudent({ name: 'Ada', avoids: ['egg'] }),
			makeStudent({ name: 'Bo', isLeftHanded: true, notes: 'tells jokes' }),
			makeStudent({ name: LONGEST }),
			makeStudent({ name: 'Ø' }),
		],
	})
})

async function fetchFile(file: string, query = ''): Promise<Uint8Array> {
	const response = (await loadFile(
		call(who, `/courses/${courseId}/files/${file}${query}`, { params: { courseId, file } }),
	)) as Response
	return new Uint8Array(await response.arrayBuffer())
}

const fetchPdf = async (file: string, query = ''): Promise<PdfRead> => readPdf(await fetchFile(file, query))
const textOf = ({ pages }: PdfRead) => pages.map(({ text }) => text).join('\n')
const sizeOf = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => [
	Math.round(widthMm),
	Math.round(heightMm),
]

describe('every paper', () => {
	test.each(['a4', 'letter'] as const)(
		'stands whole on sheets of %s, with its title, its language and no empty page',
		async (paper) => {
			for (const name of PAPER_NAMES) {
				const pdf = await fetchPdf(`${name}.pdf`, `?paper=${paper}&student=3`)
				const { widthMm, heightMm } = PAPERS[paper]
				const sheet = [Math.round(widthMm), Math.round(heightMm)]

				expect(pdf.title, name).toContain('very long name')
				expect(pdf.language, name).toBe('en')
				for (const page of pdf.pages) {
					expect(sizeOf(page), name).toEqual(name === 'course' ? sheet.toReversed() : sheet)
					expect(page.text.trim().length, name).toBeGreaterThan(20)
					expect(page.outside, name).toEqual([])
				}
			}
		},
	)

	test('says on each sheet what it is and which page of how many', async () => {
		const { pages } = await fetchPdf('packing.pdf')
		pages.forEach(({ text }, p) => expect(text).toContain(`page ${p + 1} of ${pages.length}`))
	})
})

describe('the run sheet', () => {
	test('has every step of its session with its minute, its cautions, and what is left to dry', async () => {
		const { paper } = await loadPaper(call(who, `/x?session=1`, { params: { courseId, paper: 'run-sheet' } }))
		const steps = paper.blocks.flatMap((block) => (block.type === 'steps' ? block.steps : []))
		const text = textOf(await fetchPdf('run-sheet.pdf', '?session=1'))

		expect(steps.length).toBeGreaterThan(4)
		for (const { mark, what } of steps) {
			expect(text).toContain(mark)
			expect(text.replaceAll(/\s+/g, ' ')).toContain(what)
		}
		expect(text).toContain('Point the wire down')
		expect(text).toContain('Trays')
		expect(text).toContain('Bo')
	})
})

describe('what to have out', () => {
	test('tells tools that the class shares by how many there are, and not at every place', async () => {
		const own = await foundStudio(['magnolia'])
		await saveStockItem(own.studioId, { kind: 'tool', name: 'Petal veiner', unit: 'piece', onHand: 2 })
		const { studio } = contextOf(own).get(memberContext)
		const id = String(await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays')))
		const at = call(own, '/x?session=1', { params: { courseId: id, paper: 'run-sheet' } })
		const lists = (await loadPaper(at)).paper.blocks.flatMap((block) => (block.type === 'list' ? [block] : []))
		const { items = [] } = lists.find(({ heading }) => heading === 'To have out') ?? {}
		const line = (head: string) => items.find((item) => item.startsWith(head))

		expect(line('Shared')).toBe('Shared: 2 × petal veiner.')
		expect(line('At every place')).toMatch(/cutter/)
		expect(line('At every place')).not.toMatch(/petal veiner/)
	})
})

describe('the course on one page', () => {
	test('is one page, however many sessions', async () => {
		expect((await fetchPdf('course.pdf')).pages).toHaveLength(1)
	})
})

describe('the hand-out', () => {
	test('tells a student of nobody else, nor why she has what she has', async () => {
		const [hers, others] = [await fetchPdf('hand-out.pdf', '?student=1'), await fetchPdf('hand-out.pdf', '?student=2')]

		expect(textOf(hers)).toContain('gum paste without egg')
		expect(textOf(others)).not.toContain('without egg')
		for (const pdf of [hers, others]) expect(textOf(pdf)).not.toMatch(/tells jokes|allerg/i)
		expect(textOf(others)).not.toContain('Ada')
	})

	test('says in words when pieces are ready in a home', async () => {
		expect(textOf(await fetchPdf('hand-out.pdf'))).toMatch(/until (firm|hard|set).*in a dry room/)
	})

	test('leaves the studio’s name out where that is asked for', async () => {
		const [usual, without] = [await fetchPdf('hand-out.pdf'), await fetchPdf('hand-out.pdf', '?studio=no')]
		const { name } = contextOf(who).get(memberContext).studio
		expect(textOf(usual)).toContain(name)
		expect(textOf(without)).not.toContain(name)
	})

	test('in large letters takes more sheets, and loses nothing', async () => {
		const [usual, large] = [await fetchPdf('hand-out.pdf'), await fetchPdf('hand-out.pdf', '?letters=large')]
		const words = (pdf: PdfRead) =>
			new Set(
				textOf(pdf)
					.replaceAll(/page \d+ of \d+/g, '')
					.split(/\s+/),
			)
		expect(large.pages.length).toBeGreaterThan(usual.pages.length)
		for (const word of words(usual)) expect(words(large)).toContain(word)
	})

	test('for a left hand is mirrored, without a word mirrored', async () => {
		const of = async (hand: string) => {
			const { paper } = await loadPaper(call(who, `/x?hand=${hand}`, { params: { courseId, paper: 'hand-out' } }))
			const block = paper.blocks.find(({ type }) => type === 'figures')
			if (block?.type !== 'figures') throw new Error('no pictures')
			const [x, , width] = block.figures[0]!.figure.box
			const feet = block.figures[0]!.figure.shapes.flatMap((shape) =>
				shape.type === 'path' && shape.matrix ? [shape.matrix[4]] : [],
			)
			return { feet, flip: 2 * x + width }
		}
		const [right, left] = [await of('right'), await of('left')]
		left.feet.forEach((foot, f) => expect(foot).toBeCloseTo(right.flip - right.feet[f]!, 6))
	})

	test('for who missed a session tells the way back', async () => {
		const text = textOf(await fetchPdf('hand-out.pdf', '?missed=1'))
		expect(text).toContain('The way back')
		expect(text).toMatch(/You missed evening 1/)
	})
})

// ISO 216 and ANSI sheets by definition; the outline's own mm by the design.
describe('templates in a hand-out', () => {
	test('are true to size: the bar is 100 mm, and each outline as wide and long as the design says', async () => {
		const { pages } = await fetchPdf('hand-out.pdf')
		const sheet = pages.find(({ text }) => text.includes('This bar is 10 cm long'))!
		const templates = listTemplates(resolveDesign(demoDesign('magnolia'), {}))

		expect(sheet.paths.some(({ widthMm }) => Math.abs(widthMm - 100) < 0.1)).toBe(true)
		expect(templates.length).toBeGreaterThan(0)
		for (const { name, widthMm, lengthMm } of templates) {
			const found = sheet.paths.some(
				(path) => Math.abs(path.widthMm - widthMm) < 0.1 && Math.abs(path.heightMm - lengthMm) < 0.1,
			)
			expect(found, `${name}: ${widthMm} × ${lengthMm}`).toBe(true)
		}
	})
})

describe('all papers at once', () => {
	test('one PDF has every student’s hand-out and every session’s sheet', async () => {
		const text = textOf(await fetchPdf('all.pdf'))
		for (const name of ['Ada', 'Bo', 'Student 5', 'Student 8']) expect(text).toContain(`For ${name}`)
		expect(text.match(/Run sheet/g)!.length).toBeGreaterThanOrEqual(demoCourse('Magnolia on Thursdays').sessions.length)
	})

	test('a session’s file has its run sheet; the hand-outs come with the first', async () => {
		const [first, second] = [await fetchPdf('session.pdf', '?session=1'), await fetchPdf('session.pdf', '?session=2')]
		expect(textOf(first)).toContain('Evening 1')
		expect(textOf(first)).toContain('For Ada')
		expect(textOf(second)).toContain('Evening 2')
		expect(textOf(second)).not.toContain('For Ada')
	})

	test('the folder holds papers, tables, the calendar and the course', async () => {
		const files = unzipSync(await fetchFile('folder.zip'))
		const names = Object.keys(files)
		expect(names).toEqual(
			expect.arrayContaining(['course.json', 'calendar.ics', 'papers/packing.pdf', 'tables/packing.csv']),
		)
		expect(names.filter((name) => name.startsWith('papers/hand-out-'))).toHaveLength(8)
		expect((await readPdf(files['papers/packing.pdf']!)).pages.length).toBeGreaterThan(0)
		expect(new TextDecoder().decode(files['calendar.ics'])).toMatch(/^BEGIN:VCALENDAR/)
	})
})

test('a studio prints on its own sheets', async () => {
	who.member.studio.paper = 'letter'
	const [page] = (await fetchPdf('packing.pdf')).pages
	who.member.studio.paper = 'a4'
	expect(sizeOf(page!)).toEqual([216, 279])
})
