/** Tools of a class: one at each place, or shared, with what sharing costs and what one more would give. */
import { present } from '../present'
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { Course } from '../course/course'
import type { ResolvedPart } from '../design/resolve-design'
import { paceFactor } from '../course/pace'
import { countOfStep, kindsOfStep, minutesOfStep } from '../design/step-work'
import { claimsOf } from '../plan/compile/tool-claims'
import {
	queueingMinutes,
	sharingCurve,
	type OwnedTools,
	type SharedWork,
	type SharingPoint,
} from '../materials/sharing/tool-sharing'
import type { PieceLine, StepPlacing } from './class-pieces'

export interface ToolLine {
	/** As the designs name it. */
	tool: string
	/** Labels of the steps that use it, with their parts. */
	uses: string[]
	/** undefined: the studio has not said; taken as enough. */
	ownedCount: number | undefined
	studentCount: number
	/** Minutes that each student waits for it over the course with what is owned. */
	queueingMinutes: number
	/** Empty for a tool that the class does not share: it is used at home or ahead alone. */
	curve: SharingPoint[]
}

/** Whether the class has fewer of it than students, as far as the studio has said. */
export function isShared({ ownedCount, studentCount }: ToolLine): boolean {
	return ownedCount !== undefined && ownedCount < studentCount
}

/** What one more of it would give back to each student over the course, minutes. */
export function gainOfOneMore({ ownedCount, queueingMinutes: waiting, curve }: ToolLine): number {
	if (ownedCount === undefined) return 0
	return Math.max(0, waiting - (curve[ownedCount]?.queueingMinutes ?? 0))
}

/** Less waiting than this over a whole course is nobody's worry. */
const SMALL_WAIT_MIN = 1

/** In the order of first use. */
export function listTools(
	course: Course,
	designs: readonly DesignInCourse[],
	lines: readonly PieceLine[],
	{ placing, owned }: { placing: StepPlacing; owned: OwnedTools },
): ToolLine[] {
	const uses = new Map<string, string[]>()
	const works: SharedWork[] = []
	const pace = paceFactor(course.pace, course.planFor)
	for (const { design, flowersPerStudent } of designs) {
		for (const step of design.steps) {
			const place = placing.placeOf(design.id, step.id)
			if (place !== 'class' && place !== 'home') continue
			const partName = kindsOfStep(design, step)[0]?.partName ?? design.name
			const label = `${partName}: ${step.label}`
			for (const tool of step.tools) uses.set(tool, [...(uses.get(tool) ?? []), label])
			if (place === 'home') continue
			const piecesOf = ({ id }: ResolvedPart) =>
				lines.find(({ designId, part }) => designId === design.id && part.id === id)?.shares.usual ?? 0
			const terms = { flowers: flowersPerStudent, piecesOf }
			const pieceCount = countOfStep(design, step, terms)
			const minutes = minutesOfStep(design, step, terms) - step.fixedMinutes
			works.push({
				studentCount: course.studentCount,
				minutesPerPiece: (minutes / Math.max(1, pieceCount)) * pace,
				claims: claimsOf(step),
				pieceCount,
			})
		}
	}
	return [...uses].map(([tool, labels]) => {
		const using = works.filter(({ claims }) => claims.some((claim) => claim.tool === tool))
		const curve = sharingCurve(using, tool, owned)
		const ownedCount = owned[tool]
		const all = queueingMinutes(using, { ...owned, [tool]: course.studentCount })
		// What the other tools of the same steps cost is not this one's.
		const own = curve.map((point) => ({ ...point, queueingMinutes: Math.max(0, point.queueingMinutes - all) }))
		const atOwned = Math.min(own.length, Math.max(1, ownedCount ?? own.length))
		const waiting = present(own[atOwned - 1], `the waiting for ${tool}`).queueingMinutes
		return { tool, uses: labels, ownedCount, studentCount: course.studentCount, queueingMinutes: waiting, curve: own }
	})
}

/** The least number of a tool with which hardly anybody waits. */
export function enoughOf({ curve, studentCount }: Pick<ToolLine, 'curve' | 'studentCount'>): number {
	return curve.find((point) => point.queueingMinutes < SMALL_WAIT_MIN)?.ownedCount ?? studentCount
}
