import fc from 'fast-check'
import { expect, test } from 'vitest'
import { layTemplates, PAPERS, type Template } from '../../../core/outlines/template-sheet'

const template = (widthMm: number, lengthMm: number): Template => ({
	name: `${widthMm} x ${lengthMm}`,
	note: '',
	outline: [],
	widthMm,
	lengthMm,
})
const anySize = fc.integer({ min: 5, max: 480 })

test('every template is on a page, whole ones within the frame and beside one another', () => {
	fc.assert(
		fc.property(
			fc.array(fc.tuple(anySize, anySize), { maxLength: 12 }),
			fc.constantFrom(...Object.values(PAPERS)),
			(sizes, paper) => {
				const pages = layTemplates(
					sizes.map(([w, l]) => template(w, l)),
					paper,
				)
				const whole = pages.flatMap(({ templates }) => templates.filter(({ tile }) => !tile))
				const tiled = new Set(
					pages.flatMap(({ templates }) => templates.filter(({ tile }) => tile).map(({ name }) => name)),
				)

				expect(whole.length + sizes.filter(([w, l]) => tiled.has(`${w} x ${l}`)).length).toBe(sizes.length)
				for (const { templates, frame } of pages) {
					const boxes = templates
						.filter(({ tile }) => !tile)
						.map(({ x, y, widthMm, lengthMm }) => ({
							left: x - widthMm / 2,
							right: x + widthMm / 2,
							top: y - lengthMm,
							bottom: y,
						}))
					boxes.forEach((box, b) => {
						expect(box.left).toBeGreaterThanOrEqual(frame.x - 1e-9)
						expect(box.right).toBeLessThanOrEqual(frame.x + frame.widthMm + 1e-9)
						expect(box.top).toBeGreaterThanOrEqual(frame.y - 1e-9)
						expect(box.bottom).toBeLessThanOrEqual(frame.y + frame.heightMm + 1e-9)
						for (const other of boxes.slice(b + 1))
							expect(
								box.left < other.right && other.left < box.right && box.top < other.bottom && other.top < box.bottom,
							).toBe(false)
					})
				}
			},
		),
	)
})

test('the tiles of a large one cover all of it, each overlapping the next', () => {
	const pages = layTemplates([template(400, 500)], PAPERS.a4)
	const tiles = pages.flatMap(({ templates, frame }) =>
		templates.map(({ x, y, tile }) => ({ left: frame.x - (x - 200), top: frame.y - (y - 500), frame, tile })),
	)
	const [last] = tiles.slice(-1)

	expect(tiles).toHaveLength((last?.tile?.columns ?? 0) * (last?.tile?.rows ?? 0))
	expect(tiles[0]).toMatchObject({ left: 0, top: 0 })
	expect((last?.left ?? 0) + (last?.frame.widthMm ?? 0)).toBeGreaterThanOrEqual(400)
	expect((last?.top ?? 0) + (last?.frame.heightMm ?? 0)).toBeGreaterThanOrEqual(500)
	expect((tiles[1]?.left ?? 0) - (tiles[0]?.left ?? 0)).toBe((last?.frame.widthMm ?? 0) - 10)
})
