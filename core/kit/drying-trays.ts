/** What pieces dry on: how many lie there at once by the plan, and how many trays that takes. */
import { unitMinutesOf } from '../plan/problem/plan-times'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { taskOfStep, worksOfTask, type CompiledCourse, type StepSource } from '../plan/compile/compiled-course'
import type { PartForm } from '../vocabulary/piece-form'
import { bodySoFar } from '../design/body-so-far'
import { kindsOfStep, stepsOfKind } from '../design/step-work'
import { lagMinutes } from '../plan/problem/instance'
import type { Plan } from '../plan/problem/plan'
import { pasteVolumeMm3 } from '../materials/piece-mass'
import { sumOfKits } from './bill'
import type { PieceLine } from './class-pieces'
import type { KitTerms } from './kit-terms'
import { formerKey, type FormerPlaces } from './stock'

export interface FormerLine {
	/** As the designs name it. */
	former: string
	/** Pieces of all students that lie on such at once, at most. */
	peakCount: number
	/** Clock minute of the course at which that begins; undefined where the instructor makes them all. */
	peakMinute: number | undefined
	/** Trays of the studio's size that hold them. */
	trayCount: number
	partNames: string[]
	/** Pieces for which the studio has room, by its shelf; absent: not counted. */
	places?: number
}

/** Pieces that lie on a former for a while. */
interface Stay {
	former: string
	partName: string
	/** Of one student. */
	count: number
	/** Minutes from the origin of the plan. */
	start: number
	/** Minutes from the origin of the plan; Infinity: until it is taken home. */
	end: number
	/** Of these pieces on one. */
	perTray: number
}

/** One line for each former, those with the most pieces first. */
export function findFormerPeaks(
	lines: readonly PieceLine[],
	designs: readonly DesignInCourse[],
	{ compiled, plan, terms, places }: { compiled: CompiledCourse; plan: Plan; terms: KitTerms; places: FormerPlaces },
): FormerLine[] {
	const context = { compiled, plan, terms }
	const stays = [
		...lines.flatMap((line) => staysOf(line, lines, designs, context)),
		...designs.flatMap((item) => staysOfBodies(item, context)),
	]
	const studentCount = lines[0]?.shares.kits.length ?? 0
	const formers = [
		...new Set([...lines.flatMap(({ part }) => part.drying?.former ?? []), ...stays.map(({ former }) => former)]),
	]
	return formers
		.flatMap((former): FormerLine[] => {
			const own = stays.filter((stay) => stay.former === former)
			const peak = peakOf(own)
			const ahead = lines.filter(({ part, maker }) => part.drying?.former === former && maker === 'instructor')
			const aheadCount = ahead.reduce((sum, { shares }) => sum + sumOfKits(shares), 0)
			// Shares of a batch are no whole pieces: of several kinds in one step nobody says which comes first.
			const inClass = Math.ceil(peak.count * studentCount - 1e-6)
			const peakCount = Math.max(inClass, aheadCount)
			if (peakCount === 0) return []
			const partNames = [...new Set([...own.map(({ partName }) => partName), ...ahead.map(({ part }) => part.name)])]
			const room = places[formerKey(former)]
			const perTray = Math.min(
				...own.map((stay) => stay.perTray),
				...ahead.map(({ part }) => piecesPerTray(part.form, terms)),
			)
			return [
				{
					former,
					peakCount,
					peakMinute: inClass >= aheadCount ? peak.minute : undefined,
					trayCount: Math.ceil(peakCount / perTray),
					partNames,
					...(room !== undefined && { places: room }),
				},
			]
		})
		.toSorted((a, b) => b.peakCount - a.peakCount)
}

/**
 * A piece lies on one thing at a time: from when it is laid down to wait until it is taken up again or glued on, by whichever
 * step comes first. What nobody takes up lies until its wait is over.
 */
function staysOf(
	line: PieceLine,
	lines: readonly PieceLine[],
	designs: readonly DesignInCourse[],
	context: StayContext,
): Stay[] {
	const { designId, part } = line
	const former = part.drying?.former
	const design = designs.find(({ design: { id } }) => id === designId)?.design
	if (!former || !design) return []
	const perTray = piecesPerTray(part.form, context.terms)
	return stepsOfKind(design, part).flatMap((step) => {
		// What it has built rests on something else.
		if (step.restsOn !== undefined) return []
		// Of the pieces that wait, those of this kind.
		const kinds = kindsOfStep(design, step)
		const all = lines.filter((other) => other.designId === designId && kinds.includes(other.part))
		const share =
			line.shares.usual /
			Math.max(
				1,
				all.reduce((sum, { shares }) => sum + shares.usual, 0),
			)
		return waitsAfter(designId, step.id, context).map((wait) => ({
			...wait,
			former,
			partName: part.name,
			count: wait.count * share,
			perTray,
		}))
	})
}

/** What steps have built hangs or stands as one. */
function staysOfBodies({ design, flowersPerStudent }: DesignInCourse, context: StayContext): Stay[] {
	return design.steps.flatMap((step): Stay[] => {
		const { restsOn: former, id } = step
		if (former === undefined) return []
		const [kind] = kindsOfStep(design, step)
		const bodies = flowersPerStudent * (bodySoFar(design, step)?.perFlower ?? 1)
		const waits = waitsAfter(design.id, id, context)
		const [end, start] = [Math.max(...waits.map((wait) => wait.end)), Math.min(...waits.map((wait) => wait.start))]
		const partName = kind?.partName ?? design.name
		return waits.length === 0 ? [] : [{ former, partName, count: bodies, start, end, perTray: 1 }]
	})
}

interface StayContext {
	compiled: CompiledCourse
	plan: Plan
	terms: KitTerms
}

/** For each run of a step's task: how many pieces then wait, and until when; none where nothing after it waits. */
function waitsAfter(
	designId: string,
	stepId: string,
	{ compiled, plan }: StayContext,
): Pick<Stay, 'count' | 'start' | 'end'>[] {
	const { instance, tasks } = compiled
	const taskId = taskOfStep(compiled, designId, stepId)
	const arcs = instance.arcs.filter(({ from }) => from === taskId)
	const longest = Math.max(0, ...arcs.map(lagMinutes))
	const [task, placement] = [instance.tasks.find(({ id }) => id === taskId), plan.placements[taskId]]
	const source = tasks[taskId]
	if (longest === 0 || !task || !placement || !('runs' in placement)) return []
	const sizes = source?.type === 'step' ? sizesOf(source, designId, stepId) : []
	const nextStart = Math.min(
		...arcs.map(({ to }) => {
			const next = plan.placements[to]
			return next && 'runs' in next ? (next.runs[0]?.start ?? Infinity) : Infinity
		}),
	)
	let unit = 0
	return placement.runs.map(({ start, units }) => {
		const count = sizes.slice(unit, unit + units).reduce((sum, size) => sum + size, 0)
		unit += units
		const from = start + units * unitMinutesOf(task)
		return { count, start: from, end: nextStart > from && nextStart < Infinity ? nextStart : from + longest }
	})
}

/** Pieces by unit; what is done in halves has those of each step by itself. */
function sizesOf(source: StepSource, designId: string, stepId: string): number[] {
	if (!source.halves) return source.batchSizes
	const own = worksOfTask(source).find((work) => work.designId === designId && work.stepIds.includes(stepId))
	return own ? [own.pieceCount] : []
}

/** Most pieces that lie there at once, and from which minute on. It can only be when some are laid down. */
function peakOf(stays: readonly Stay[]): { count: number; minute: number | undefined } {
	let peak: { count: number; minute: number | undefined } = { count: 0, minute: undefined }
	for (const { start } of stays) {
		const count = stays
			.filter((other) => other.start <= start && start < other.end)
			.reduce((sum, other) => sum + other.count, 0)
		if (count > peak.count) peak = { count, minute: start }
	}
	return peak
}

/** Room round a piece on its tray, mm; common practice, no source. */
const TRAY_GAP_MM = 10

/** In rows, turned whichever way more of them fit, and one at least: a large piece has a tray to itself. */
function piecesPerTray(form: PartForm, { trayWidthMm, trayHeightMm }: KitTerms): number {
	const { widthMm, lengthMm } = footprintOf(form)
	const fit = (w: number, l: number) =>
		Math.floor(trayWidthMm / (w + TRAY_GAP_MM)) * Math.floor(trayHeightMm / (l + TRAY_GAP_MM))
	return Math.max(1, fit(widthMm, lengthMm), fit(lengthMm, widthMm))
}

/** Room that a piece takes on a tray, mm. */
function footprintOf(form: PartForm): { widthMm: number; lengthMm: number } {
	switch (form.type) {
		case 'cut':
			return form
		case 'formed':
			return { widthMm: form.diameterMm, lengthMm: form.lengthMm ?? form.diameterMm }
		case 'moulded':
			// As a half ball of its volume.
			return squareOf(2 * Math.cbrt((3 * pasteVolumeMm3(form)) / (2 * Math.PI)))
		case 'bought':
			return squareOf(form.diameterMm ?? 10)
		case 'derived':
			return squareOf(20)
	}
}

/** As wide as it is long. */
function squareOf(sideMm: number): { widthMm: number; lengthMm: number } {
	return { widthMm: sideMm, lengthMm: sideMm }
}
