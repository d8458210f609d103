import { describe, expect, test } from 'vitest'
import type { Course } from '../../../../core/course/course'
import type { Design, Need } from '../../../../core/design/design'
import { sharedMinutesPerPiece } from '../../../../core/materials/sharing/tool-sharing'
import { compileCourse } from '../../../../core/plan/compile/compile-course'
import { taskOfStep, worksOfTask } from '../../../../core/plan/compile/compiled-course'
import { ORDINARY_TERMS } from '../../../../core/plan/compile/drying-terms'
import { CHANGE_MINUTES, takeHalves } from '../../../../core/plan/compile/halve-class'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { planCourse, resolveCourse } from '../../../../core/plan/plan-course'
import { writeScript } from '../../../../core/rehearse/write-script'
import { demoCourse } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const PIECES = 6
const piecewise = { minutesPerPiece: 3, fixedMinutes: 0, leastPieces: 1 }
/** Petals that are veined in one veiner, and leaves that are pressed in one press; both are taped at last. */
const design = (needs: { vein?: Need[]; press?: Need[]; tape?: Need[] } = {}, extra?: string): Design =>
	makeDesign({
		id: 'marsh-bell',
		name: 'Marsh bell',
		...(extra && { extras: [{ id: extra, name: 'Leaves', value: 3 }] }),
		parts: ['petals', 'leaves'].map((id) => makePart(id, { name: id, piecesPerFlower: PIECES, breakage: 0 })),
		steps: [
			makeStep('vein', 'petals', needs.vein ?? [], { ...piecewise, tools: ['veiner'], label: 'Vein' }),
			makeStep('press', 'leaves', needs.press ?? [], {
				...piecewise,
				tools: ['press'],
				label: 'Press',
				...(extra && { extra }),
			}),
			makeStep('tape', undefined, needs.tape ?? [{ after: 'vein' }, { after: 'press' }], { minutesPerPiece: 5 }),
		],
	})
const course: Course = {
	...demoCourse('Magnolia on Thursdays'),
	studentCount: 7,
	pace: 'practised',
	planFor: 'middle',
	demoFlowers: 0,
	designs: [{ designId: 'marsh-bell', flowersPerStudent: 1, picks: {} }],
}
const shares = { veiner: 1, press: 1 }
const owned = { veiner: 2, press: 2 }
const terms = { ...ORDINARY_TERMS, ownedTools: owned }
const compiledOf = (one: Design, ownedTools: Record<string, number> = owned) =>
	compileCourse(course, resolveCourse(course, [one]), { ...ORDINARY_TERMS, ownedTools })
const withShares = (one: Design): Design => ({
	...one,
	steps: one.steps.map((step) => ({
		...step,
		...(step.tools.length > 0 && {
			toolShares: Object.fromEntries(step.tools.map((tool) => [tool, shares[tool as 'press']])),
		}),
	})),
})
const bell = withShares(design())

describe('a class in halves', () => {
	test('takes the longer of both steps with half the class, twice, and two minutes to change over', () => {
		const half = (studentCount: number) =>
			PIECES *
			sharedMinutesPerPiece({ studentCount, minutesPerPiece: 3, claims: [{ tool: 'veiner', share: 1 }] }, { veiner: 2 })
		const [offer] = compiledOf(bell).halves ?? []

		expect(offer).toMatchObject({
			first: 'marsh-bell/vein',
			second: 'marsh-bell/press',
			changeAfterMinutes: Math.ceil(half(4)) + 2,
			minutes: Math.ceil(half(4)) + 2 + Math.ceil(half(4)),
		})
		expect(offer?.gainMinutes).toBeGreaterThanOrEqual(5)
	})

	test('is offered only where both wait for tools, for different ones, and neither needs the other', () => {
		const offersOf = (one: Design, ownedTools?: Record<string, number>) => compiledOf(one, ownedTools).halves ?? []

		expect(offersOf(bell, {})).toEqual([])
		expect(offersOf(bell, { veiner: 2 })).toEqual([])
		expect(offersOf(withShares(design({ press: [{ after: 'vein' }] })))).toEqual([])
		const sameTool = {
			...bell,
			steps: bell.steps.map((step) => (step.part ? { ...step, tools: ['veiner'], toolShares: { veiner: 1 } } : step)),
		}
		expect(offersOf(sameTool)).toEqual([])
	})

	test('is one run in class, that the checker accepts, and shorter than one step after the other', () => {
		const compiled = compiledOf(bell)
		const [offer] = compiled.halves ?? []
		const halved = offer && takeHalves(compiled, offer)
		if (!halved) throw new Error('nothing was offered')
		const minutesOf = ({ instance }: typeof compiled) =>
			instance.tasks.reduce((sum, task) => sum + ('minutes' in task ? task.minutes : task.units * task.unitMinutes), 0)
		const { plan } = planExactly(halved.instance, { nodes: 200 })

		expect(minutesOf(compiled) - minutesOf(halved)).toBe(offer.gainMinutes)
		expect(plan && checkPlan(halved.instance, plan).errors).toEqual([])
		expect(taskOfStep(halved, 'marsh-bell', 'press')).toBe('marsh-bell/vein')
		expect(halved.tasks['marsh-bell/vein']).toMatchObject({
			partName: 'petals and leaves',
			label: 'Vein / press, in halves',
			halves: { first: { stepId: 'vein' }, second: { stepId: 'press', pieceCount: PIECES } },
		})
	})

	test('counts a limit over the whole run: for who comes last, and for what was done first', () => {
		const compiled = compiledOf(bell)
		const [offer] = compiled.halves ?? []
		if (!offer) throw new Error('nothing was offered')
		const limited = (maxLag: number) => {
			const arcs = compiled.instance.arcs.map((arc) => (arc.from === offer.first ? { ...arc, maxLag } : arc))
			const halved = takeHalves({ ...compiled, instance: { ...compiled.instance, arcs } }, offer)
			return halved?.instance.arcs.find(({ maxLag: limit }) => limit !== undefined)
		}

		expect(limited(offer.minutes + 10)).toMatchObject({ maxLag: 10 })
		expect(limited(offer.minutes - 1)).toBeUndefined()
	})

	test('is chosen where the evening is too short without, and left where there is time enough', () => {
		const [offer] = compiledOf(bell).halves ?? []
		const needed = (offer?.minutes ?? 0) + 7
		const short = {
			date: '2026-03-12',
			startMin: 1140,
			endMin: 1140 + needed,
			setUpMinutes: 0,
			clearAwayMinutes: 0,
			breaks: [],
		}
		const planned = planCourse({ ...course, sessions: [short] }, [bell], terms)
		const without = planCourse({ ...course, sessions: [short] }, [bell], ORDINARY_TERMS)

		expect(planned.status).toBe('optimal')
		expect(planned.compiled.tasks['marsh-bell/vein']).toHaveProperty('halves')
		expect(without.compiled.tasks['marsh-bell/vein']).not.toHaveProperty('halves')
		const one = (ownedTools: Record<string, number>) =>
			planExactly(
				compileCourse({ ...course, sessions: [short] }, resolveCourse(course, [bell]), { ...terms, ownedTools })
					.instance,
			)
		expect(one(owned).status).toBe('infeasible')
		const long = { ...short, endMin: short.endMin + 90 }
		const easy = planCourse({ ...course, sessions: [long] }, [bell], terms)
		expect(easy.compiled.tasks['marsh-bell/vein']).not.toHaveProperty('halves')
		expect([easy.status, easy.objective?.strain]).toEqual(['optimal', 0])
	})

	test('makes an extra that one after the other would have no time, and leaves it out where even halves are too long', () => {
		const flower = withShares(design({ tape: [{ after: 'vein' }] }, 'leaves-extra'))
		const [offer] = compiledOf(flower).halves ?? []
		const minutes = offer?.minutes ?? 0
		const planFor = (length: number) => {
			const session = { date: '2026-03-12', startMin: 1140, endMin: 1140 + length, breaks: [] }
			return planCourse(
				{ ...course, sessions: [{ ...session, setUpMinutes: 0, clearAwayMinutes: 0 }] },
				[flower],
				terms,
			)
		}
		const [made, left] = [planFor(minutes + 7), planFor(minutes - 1)]

		expect(made).toMatchObject({ status: 'optimal', objective: { valueLost: 0 } })
		expect(made.compiled.tasks['marsh-bell/vein']).toHaveProperty('halves')
		expect(made.compiled.instance.tasks.filter(({ dropValue }) => dropValue !== undefined)).toEqual([])
		expect(left.compiled.tasks['marsh-bell/vein']).not.toHaveProperty('halves')
		expect(left.plan?.placements['marsh-bell/press']?.place).toBe('dropped')
	})

	test('is of steps of two designs, each with its own pieces, parts and place in its design’s order', () => {
		const flower = (id: string, name: string, part: string, tool: string) =>
			makeDesign({
				...{ id, name, parts: [makePart(part, { name: part, piecesPerFlower: PIECES, breakage: 0 })] },
				steps: [
					// Of both designs it has the same id.
					makeStep('shape', part, [], {
						...piecewise,
						tools: [tool],
						toolShares: { [tool]: 1 },
						label: `Use the ${tool}`,
					}),
					makeStep('tape', undefined, [{ after: 'shape' }], { minutesPerPiece: 5 }),
				],
			})
		const documents = [flower('bell', 'Bell', 'petals', 'veiner'), flower('fern', 'Fern', 'leaves', 'press')]
		const both = {
			...course,
			designs: documents.map(({ id: designId }) => ({ designId, flowersPerStudent: 1, picks: {} })),
		}
		const designs = resolveCourse(both, documents)
		const compiled = compileCourse(both, designs, terms)
		const [offer] = compiled.halves ?? []
		const halved = offer && takeHalves(compiled, offer)
		if (!halved) throw new Error('nothing was offered')
		const { plan } = planExactly(halved.instance, { nodes: 200 })
		if (!plan) throw new Error('nothing was planned')

		expect(checkPlan(halved.instance, plan).errors).toEqual([])
		expect([taskOfStep(halved, 'bell', 'shape'), taskOfStep(halved, 'fern', 'shape')]).toEqual([
			'bell/shape',
			'bell/shape',
		])
		expect(halved.tasks['bell/shape']).toMatchObject({ designName: 'Bell and Fern', partName: 'petals and leaves' })
		expect(halved.instance.sequence).toEqual([
			['bell/shape', 'bell/tape'],
			['bell/shape', 'fern/tape'],
		])

		const source = halved.tasks['bell/shape']
		expect(source?.type === 'step' && worksOfTask(source)).toMatchObject([
			{ designId: 'bell', partId: 'petals', stepIds: ['shape'], pieceCount: PIECES },
			{ designId: 'fern', partId: 'leaves', stepIds: ['shape'], pieceCount: PIECES },
		])
		const script = writeScript({ course: both, designs, compiled: halved, plan, owned })
		expect(script.items[0]).toMatchObject({
			isHalved: true,
			stretches: [
				{ pieceCount: PIECES, turns: [{ tool: 0, share: 1 }] },
				{ pieceCount: PIECES, turns: [{ tool: 1, share: 1 }], changeMinutes: CHANGE_MINUTES },
			],
		})
		expect(script.tools.map(({ name }) => name)).toEqual(['veiner', 'press'])
	})

	test('is not taken for a second pair that would then wait for itself: petals before leaves, and leaves before petals', () => {
		const crossed = {
			...bell,
			steps: [
				...bell.steps.filter(({ part }) => part !== undefined),
				makeStep('dust', 'petals', [{ after: 'vein' }], { ...piecewise, tools: ['brush'], label: 'Dust' }),
				makeStep('steam', 'leaves', [{ after: 'press' }], { ...piecewise, tools: ['kettle'], label: 'Steam' }),
			],
		}
		const compiled = compiledOf(crossed, { ...owned, brush: 1, kettle: 1 })
		const pair = (first: string, second: string) => ({
			first: `marsh-bell/${first}`,
			second: `marsh-bell/${second}`,
			changeAfterMinutes: 10,
			minutes: 20,
			gainMinutes: 5,
		})
		const once = takeHalves(compiled, pair('vein', 'steam'))

		expect(once).toBeDefined()
		expect(once && takeHalves(once, pair('press', 'dust'))).toBeUndefined()
		expect(
			planCourse(course, [crossed], { ...terms, ownedTools: { ...owned, brush: 1, kettle: 1 } }).plan,
		).toBeDefined()
	})
})
