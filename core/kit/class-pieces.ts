/** Pieces of every part: each student's with her spares, the instructor's to show, and dried ones brought in exchange. */
import { present } from '../present'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { taskOfStep, type CompiledCourse } from '../plan/compile/compiled-course'
import type { Course, Pace } from '../course/course'
import type { ResolvedDesign, ResolvedPart } from '../design/resolve-design'
import { countPieces, seatShare, workedPieces, type PieceCount } from '../design/piece-counts'
import { stepsOfKind } from '../design/step-work'
import { piecesOfGroup } from '../learn/pieces-to-make'
import { exchangesOf } from '../plan/problem/exchanges'
import type { Plan } from '../plan/problem/plan'
import { sumOfKits, sumShares, type Shares } from './bill'
import type { Seat } from './student'

export interface PieceLine {
	designId: string
	designName: string
	part: ResolvedPart
	/** Of a usual kit, without spares. */
	needed: number
	/** Of a usual kit. */
	spares: number
	/** Who makes the pieces of the kits: the students, or the instructor before, so that they get them finished. */
	maker: 'students' | 'instructor'
	/** How many dried sets of her pieces are brought for each student. */
	swapSets: number
	/** Of pieces. */
	shares: Shares
}

/** Where each step is done, and how often its pieces are brought dried. */
export interface StepPlacing {
	placeOf: (designId: string, stepId: string) => 'class' | 'home' | 'ahead' | 'dropped' | undefined
	/** Swaps of the plan that a step leads up to. */
	swapsOf: (designId: string, stepId: string) => number
}

/** Where the plan has each step done, and how many classes’ worth of dried pieces are brought for it. */
export function placeSteps(designs: readonly DesignInCourse[], compiled: CompiledCourse, plan: Plan): StepPlacing {
	const { instance, tasks } = compiled
	const swaps = new Map<string, number>()
	for (const { from } of exchangesOf(instance, plan)) {
		const source = tasks[from]
		if (source?.type !== 'step') continue
		const design = designs.find(({ design: { id } }) => id === source.designId)?.design
		const last = source.alsoSteps?.at(-1) ?? source.stepId
		for (const id of design ? leadingSteps(design, last) : []) {
			const key = `${source.designId}/${id}`
			swaps.set(key, (swaps.get(key) ?? 0) + 1)
		}
	}
	return {
		placeOf: (designId, stepId) => plan.placements[taskOfStep(compiled, designId, stepId)]?.place,
		swapsOf: (designId, stepId) => swaps.get(`${designId}/${stepId}`) ?? 0,
	}
}

/** The step with all that it needs. */
function leadingSteps({ steps }: ResolvedDesign, stepId: string): Set<string> {
	const leading = new Set([stepId])
	for (const id of leading)
		for (const { after } of steps.find((step) => step.id === id)?.needs ?? []) leading.add(after)
	return leading
}

/** In the order of the designs and their parts; parts of which every step is left out are not among them. */
export function countClassPieces(
	course: Course,
	designs: readonly DesignInCourse[],
	{ seats, placing }: { seats: readonly Seat[]; placing: StepPlacing },
): PieceLine[] {
	return designs.flatMap(({ design, flowersPerStudent }) => {
		const countsAt = countsByPace(course, design, flowersPerStudent)
		return design.parts.flatMap((part, p): PieceLine[] => {
			const steps = stepsOfKind(design, part)
			const places = steps.map(({ id }) => placing.placeOf(design.id, id))
			if (steps.length > 0 && places.every((place) => place === 'dropped')) return []
			const countAt = (pace: Pace) => present(countsAt(pace)[p], `the count of ${part.name}`)
			const ofUsual = countAt(course.pace)
			const usual = workedPieces(ofUsual, course.studentCount)
			const needed = usual - ofUsual.spares
			const kits = seats.map(({ student }, s) => {
				return countAt(student?.level ?? course.pace).made + seatShare(ofUsual.madeForClass, s, seats.length)
			})
			const swapSets = Math.max(0, ...steps.map(({ id }) => placing.swapsOf(design.id, id)))
			return [
				{
					designId: design.id,
					designName: design.name,
					part,
					needed,
					spares: usual - needed,
					maker: places[0] === 'ahead' ? 'instructor' : 'students',
					swapSets,
					shares: sumShares({
						usual,
						kits,
						ahead: 0,
						demo: part.piecesPerFlower * course.demoFlowers,
						swapOuts: swapSets * sumOfKits({ kits }),
					}),
				},
			]
		})
	})
}

/** A student breaks as many pieces as her level does. */
function countsByPace({ spareConfidence, studentCount }: Course, design: ResolvedDesign, flowers: number) {
	const known = new Map<Pace, PieceCount[]>()
	return (pace: Pace): PieceCount[] => {
		const before = known.get(pace)
		if (before) return before
		const counts = countPieces(design, flowers, { toMake: piecesOfGroup(pace, spareConfidence), studentCount })
		known.set(pace, counts)
		return counts
	}
}

/** Whether all pieces of a part are handed out finished. */
export function isHandedOutFinished(
	designs: readonly DesignInCourse[],
	placing: StepPlacing,
	line: PieceLine,
): boolean {
	const design = designs.find(({ design: { id } }) => id === line.designId)?.design
	const steps = design ? stepsOfKind(design, line.part) : []
	return steps.length > 0 && steps.every(({ id }) => placing.placeOf(line.designId, id) === 'ahead')
}
