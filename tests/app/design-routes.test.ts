/** The design book's loaders and actions, on the real database. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as design from '../../app/design/routes/design/route'
import * as edit from '../../app/design/routes/design-edit/route'
import * as exportBook from '../../app/design/routes/design-export/route'
import * as files from '../../app/design/routes/design-files/route'
import * as importDesigns from '../../app/design/routes/design-import/route'
import * as newDesign from '../../app/design/routes/design-new/route'
import * as picture from '../../app/design/routes/design-picture/route'
import * as schema from '../../app/design/routes/design-schema/route'
import * as pdf from '../../app/design/routes/design-sheets-pdf/route'
import * as sheets from '../../app/design/routes/design-sheets/route'
import * as slides from '../../app/design/routes/design-slides/route'
import * as list from '../../app/design/routes/designs/route'
import type { Design } from '../../core/design/design'
import { inTransaction } from '../../db/connection.server'
import { getDesign, listDesigns, listDocuments, updateDesign } from '../../db/repositories/designs.server'
import { toBook } from '../../exchange/design/design-book'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse, demoDesign, demoDesignIds } from '../support/demo-designs'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio
const params = { slug: 'magnolia' }
const magnolia = demoDesign('magnolia')

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia', 'calla-lily', 'shells-and-starfish'])
	stranger = await foundStudio()
})

describe('the list', () => {
	test('is narrowed by its address, and what is not understood narrows nothing', async () => {
		const slugs = async (query: string) =>
			(await list.loader(call(studio, `/designs${query}`))).designs.map(({ slug }) => slug)

		expect(await slugs('?q=magnolia')).toEqual(['magnolia'])
		expect(await slugs('?for=children&wires=no')).toEqual(['shells-and-starfish'])
		expect(await slugs('?kind=sauce&level=99&wires=perhaps&page=x')).toHaveLength(3)
		expect(await slugs('?page=7')).toEqual([])
	})
})

describe('a new design', () => {
	test('starts from a skeleton with an id of its own, or like another', async () => {
		const start = (name: string, from: string) =>
			answerOf(newDesign.action(call(studio, '/designs/new', { body: { name, from } })))

		expect((await start('Magnolia', 'skeleton:open-flower')).to).toBe('/designs/magnolia-2/edit')
		expect((await start('My calla', 'like:calla-lily')).to).toBe('/designs/my-calla/edit')
		const { document } = await getDesign(studio.studioId, 'my-calla')
		expect(document).toEqual({ ...demoDesign('calla-lily'), id: 'my-calla', name: 'My calla' })
	})

	test.each([
		{ body: { name: '', from: 'skeleton:leaf' }, status: 400 },
		{ body: { name: 'x', from: 'skeleton:dragon' }, status: 400 },
		{ body: { name: 'x', from: 'like:nothing' }, status: 404 },
		{ body: { name: 'x', from: '../../etc' }, status: 400 },
	])('is refused for $body', async ({ body, status }) => {
		expect((await answerOf(newDesign.action(call(studio, '/designs/new', { body })))).status).toBe(status)
	})
})

describe('a new design by the names of its parts', () => {
	const start = (parts: string) =>
		answerOf(newDesign.action(call(studio, '/designs/new', { body: { name: 'Sea holly', from: 'parts', parts } })))

	test('has them all, in their order, with steps to make them', async () => {
		expect((await start('cone\nbract, leaf')).to).toBe('/designs/sea-holly/edit')
		const { document } = await getDesign(studio.studioId, 'sea-holly')

		expect(document.parts.map(({ name }) => name.toLowerCase())).toEqual(['cone', 'bract', 'leaf'])
		expect(document.parts.every(({ id }) => document.steps.some(({ part }) => part === id))).toBe(true)
	})

	test('asks for one where there is none, beside their field', async () => {
		const answer = await start(' \n , ')

		expect(answer.status).toBe(400)
		expect(answer.refusal?.problems.map(({ path }) => path)).toEqual(['parts'])
		expect((await listDesigns(studio.studioId)).count).toBe(3)
	})
})

describe('saving a design', () => {
	const save = (who: TestStudio, document: unknown, version = 1) =>
		edit.action(call(who, '/designs/magnolia/edit', { params, body: { document, version } }))

	test('makes a new version of it', async () => {
		expect(await save(studio, { ...magnolia, level: 4 })).toEqual({ saved: 2 })

		expect((await edit.loader(call(studio, '/', { params }))).design.level).toBe(4)
	})

	test('names the place of what is wrong, and saves nothing', async () => {
		const [part] = magnolia.parts
		const bad = { ...magnolia, parts: [{ ...part, piecesPerFlower: 0, onclick: 'x' }, ...magnolia.parts.slice(1)] }

		const answer = await answerOf(save(studio, bad))

		expect(answer.status).toBe(400)
		expect(answer.refusal?.problems.map(({ path }) => path)).toEqual(
			expect.arrayContaining(['/parts/0', '/parts/0/piecesPerFlower']),
		)
		expect((await getDesign(studio.studioId, 'magnolia')).version).toBe(1)
	})

	test('under another id, or in another studio, is refused', async () => {
		expect((await answerOf(save(studio, { ...magnolia, id: 'calla-lily' }))).status).toBe(400)
		expect((await answerOf(save(stranger, magnolia))).status).toBe(404)
	})

	test('in two windows tells the second what the first saved, and what the two say differently', async () => {
		await save(studio, { ...magnolia, level: 4 })

		const answer = await answerOf(save(studio, { ...magnolia, level: 5 }))

		expect(answer.status).toBe(409)
		expect(answer.refusal).toMatchObject({
			current: { version: 2 },
			differences: [{ kind: 'design', fields: [{ field: 'level', before: '4', after: '5' }] }],
		})
	})

	test('leaves the courses planned with it as they were, until the new version is taken', async () => {
		const { to } = await answerOf(
			newCourse.action(call(studio, '/courses/new', { body: demoCourse('Magnolia on Thursdays') })),
		)
		const courseId = /\d+/.exec(to ?? '')?.[0]
		const load = () => plan.loader(call(studio, '/', { params: { courseId } }))
		const before = await load()
		const slower: Design = {
			...magnolia,
			steps: magnolia.steps.map((step) => ({ ...step, fixedMinutes: step.fixedMinutes + 2 })),
		}
		await save(studio, slower)

		const kept = await load()
		expect(kept.isOutdated).toBe(false)
		expect(kept.story).toEqual(before.story)
		expect(kept.newerDesigns).toEqual([expect.objectContaining({ slug: 'magnolia', name: 'Magnolia' })])
		expect(kept.newerDesigns[0]?.differences.length).toBe(magnolia.steps.length)

		await plan.action(
			call(studio, '/', { params: { courseId }, body: { intent: 'take-new-designs', version: kept.version } }),
		)
		const taken = await load()
		expect(taken.newerDesigns).toEqual([])
		expect(taken.story).not.toEqual(before.story)
	})
})

describe('deleting a design', () => {
	test('in use is refused with the course’s name; unused it goes', async () => {
		await newCourse.action(call(studio, '/courses/new', { body: demoCourse('Magnolia on Thursdays') }))

		const answer = await answerOf(design.action(call(studio, '/', { params, body: { version: 1 } })))

		expect([answer.status, answer.refusal?.message]).toEqual([409, expect.stringContaining('Magnolia on Thursdays')])
		expect(
			(await answerOf(design.action(call(studio, '/', { params: { slug: 'calla-lily' }, body: { version: 1 } })))).to,
		).toBe('/designs')
	})
})

describe('importing', () => {
	const send = (body: object) => importDesigns.action(call(studio, '/designs/import', { body }))

	test('shows first what is in the file, whole or not', async () => {
		const text = JSON.stringify({
			...toBook([demoDesign('hellebore'), magnolia]),
			designs: [demoDesign('hellebore'), magnolia, { ...magnolia, parts: [] }],
		})

		const { looked } = (await send({ intent: 'look', text })) as { looked: object[] }

		expect(looked).toEqual([
			expect.objectContaining({ name: 'Hellebore', takenVersion: undefined }),
			expect.objectContaining({ name: 'Magnolia', takenVersion: 1 }),
			expect.objectContaining({ name: 'Magnolia', problems: expect.any(Array) as unknown }),
		])
		expect(await listDocuments(studio.studioId)).toHaveLength(3)
	})

	test('takes beside what is there, or as new versions of it', async () => {
		const text = JSON.stringify({ ...magnolia, level: 5 })

		await send({ intent: 'take', text })
		await send({ intent: 'take', text, onTaken: 'replace', versions: { magnolia: 1 } })

		expect((await getDesign(studio.studioId, 'magnolia-2')).document.level).toBe(5)
		expect(await getDesign(studio.studioId, 'magnolia')).toMatchObject({ version: 2, document: { level: 5 } })
	})

	test('beside what is there gives a name that is free, however often', async () => {
		const text = JSON.stringify(magnolia)

		for (let time = 0; time < 3; time++) expect((await answerOf(send({ intent: 'take', text }))).to).toBe('/designs')

		const { designs } = await listDesigns(studio.studioId, { search: 'magnolia' })
		expect(designs.map(({ slug }) => slug).toSorted()).toEqual(['magnolia', 'magnolia-2', 'magnolia-3', 'magnolia-4'])
	})

	test('over a design that was changed since the file was looked at is refused', async () => {
		const text = JSON.stringify({ ...magnolia, level: 5 })
		await inTransaction((t) => updateDesign(studio.studioId, { ...magnolia, level: 2 }, 1, t))

		const answer = await answerOf(send({ intent: 'take', text, onTaken: 'replace', versions: { magnolia: 1 } }))

		expect(answer.status).toBe(409)
		expect((await getDesign(studio.studioId, 'magnolia')).document.level).toBe(2)
	})

	test('refuses what is no design by the reason', async () => {
		const answer = await answerOf(send({ intent: 'look', text: '{"a":' }))

		expect([answer.status, answer.refusal?.problems[0]?.message]).toEqual([400, expect.stringContaining('not JSON')])
	})

	test('takes all of a file, or nothing of it', async () => {
		// The second has come into the book since the file was looked at.
		const text = JSON.stringify(toBook([{ ...magnolia, level: 5 }, demoDesign('calla-lily')]))

		const take = { intent: 'take', text, onTaken: 'replace', versions: { magnolia: 1 } }
		expect((await answerOf(send(take))).status).toBe(409)
		expect(await getDesign(studio.studioId, 'magnolia')).toEqual({ document: magnolia, version: 1 })
	})

	test('undoes an export exactly', async () => {
		const exported = await (await exportBook.loader(call(studio, '/designs/export'))).text()
		const other = await foundStudio()

		await importDesigns.action(call(other, '/designs/import', { body: { intent: 'take', text: exported } }))

		expect(await listDocuments(other.studioId)).toEqual(await listDocuments(studio.studioId))
	})
})

describe('files', () => {
	test('of one design, of some, and of all', async () => {
		const some = JSON.parse(
			await (await exportBook.loader(call(studio, '/designs/export?only=magnolia&only=nothing'))).text(),
		) as { designs: Design[] }
		const file = async (name: string) =>
			(await files.loader(call(studio, '/', { params: { ...params, file: name } }))) as Response

		expect(some.designs.map(({ id }) => id)).toEqual(['magnolia'])
		expect(await (await file('design.json')).json()).toEqual(magnolia)
		expect((await file('parts.csv')).headers.get('Content-Disposition')).toBe(
			'attachment; filename="magnolia-parts.csv"',
		)
		expect(await (await file('outlines.svg')).text()).toMatch(/^<svg/)
		expect(
			await thrownBy(() => files.loader(call(studio, '/', { params: { ...params, file: '../secrets' } }))),
		).toMatchObject({ init: { status: 404 } })
	})

	test('are for the studio alone', async () => {
		const attempts = [
			() => files.loader(call(stranger, '/', { params: { ...params, file: 'design.json' } })),
			() => picture.loader(call(stranger, '/', { params })),
			() => pdf.loader(call(stranger, '/', { params })),
			() => sheets.loader(call(stranger, '/', { params })),
			() => slides.loader(call(stranger, '/', { params })),
			() => edit.loader(call(stranger, '/', { params })),
			() => design.loader(call(stranger, '/', { params })),
		]
		for (const attempt of attempts) expect(await thrownBy(attempt)).toMatchObject({ init: { status: 404 } })
		expect(
			JSON.parse(await (await exportBook.loader(call(stranger, '/designs/export?only=magnolia'))).text()),
		).toMatchObject({ designs: [] })
	})

	test('the published schema is the one that imports are read by', async () => {
		expect(await schema.loader().json()).toMatchObject({
			$schema: 'https://json-schema.org/draft/2020-12/schema',
			properties: { format: { const: 'calycine-design' } },
		})
	})
})

describe('pictures and sheets', () => {
	test('the picture is an SVG that may be kept while its version stands in the address', async () => {
		const response = (await picture.loader(call(studio, '/designs/magnolia/picture.svg?v=1', { params }))) as Response

		expect(response.headers.get('Cache-Control')).toContain('immutable')
		expect(await response.text()).toMatch(
			/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg".*aria-label="Magnolia from above"/,
		)
	})

	test('the PDF has a page a sheet in true size', async () => {
		const { pages } = await sheets.loader(call(studio, '/designs/magnolia/sheets', { params }))
		const response = (await pdf.loader(call(studio, '/designs/magnolia/sheets.pdf', { params }))) as Response
		const text = Buffer.from(await response.arrayBuffer()).toString('latin1')

		expect(text.startsWith('%PDF-')).toBe(true)
		// ISO 216: A4 is 210 x 297 mm, 595.28 x 841.89 points.
		expect(
			[...text.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) => [
				Math.round(Number(w)),
				Math.round(Number(h)),
			]),
		).toEqual(pages.map(() => [595, 842]))
	})

	test('a slide shows as many layers as it says', async () => {
		const at = (layer: string) => slides.loader(call(studio, `/designs/magnolia/slides?layer=${layer}`, { params }))

		expect((await at('2')).layer).toBe(2)
		expect((await at('99')).layer).toBe((await at('1')).last)
		expect((await at('x')).layer).toBe(1)
	})

	test('every demo design has both views', async () => {
		const all = await foundStudio(demoDesignIds())
		for (const slug of demoDesignIds()) {
			for (const view of ['above', 'side']) {
				const response = (await picture.loader(
					call(all, `/designs/${slug}/picture.svg?view=${view}`, { params: { slug } }),
				)) as Response
				expect(await response.text()).not.toMatch(/NaN|undefined|Infinity/)
			}
		}
	})
})
