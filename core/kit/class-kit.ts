/**
 * Everything that goes onto the tables: pieces, paste, wires and supplies of every student's kit, of the instructor's
 * demo set, of what she makes ahead and brings dried, and their sums; tools, formers, colours, and the exchanges for
 * whoever cannot have something.
 */
import type { DesignInCourse } from '../plan/compile/compile-course'
import { taskOfStep, type CompiledCourse } from '../plan/compile/compiled-course'
import type { Course } from '../course/course'
import type { OwnedTools } from '../materials/sharing/tool-sharing'
import type { Mixture } from '../design/design'
import type { PasteUse } from '../learn/paste-use'
import type { Plan } from '../plan/problem/plan'
import { countClassPieces, isHandedOutFinished, placeSteps, type PieceLine } from './class-pieces'
import { listColours, type ColourBatch } from './colour-batches'
import { datesOf, type CourseDates } from './course-dates'
import { findFormerPeaks, type FormerLine } from './drying-trays'
import type { Exchange } from './exchanges'
import { USUAL_KIT_TERMS, type KitTerms } from './kit-terms'
import { listPasteMakers, type PasteMaker } from '../design/paste-makers'
import { billPaste, type PasteLine, type SheetGroup } from './paste-bill'
import { formerPlacesOf, offcutsOf, ownedToolsOf, type FormerPlaces, type Stock } from './stock'
import { seatStudents, type Seat, type Student } from './student'
import { billSupplies, type SupplyLine } from './supply-bill'
import { listTools, type ToolLine } from './tool-needs'
import { billWires, type OffcutStock, type WireGroup } from './wire-bill'

export interface KitLine extends PieceLine {
	/** The students get these pieces finished. */
	isMadeAhead: boolean
}

export interface ClassKit {
	studentCount: number
	/** Of everybody, in order; without a name where nobody is known. */
	seats: Seat[]
	/** By when things are needed. */
	dates: CourseDates
	lines: KitLine[]
	paste: PasteLine[]
	/** What is rolled, for whom. */
	sheets: SheetGroup[]
	wires: WireGroup[]
	supplies: SupplyLine[]
	/** Of the mixtures among the supplies. */
	recipes: Mixture[]
	/** Pastes that are made instead of bought. */
	pasteMakers: PasteMaker[]
	/** Lies on the bench for everybody, not measured out. */
	atHand: string[]
	colours: ColourBatch[]
	tools: ToolLine[]
	/** What pieces dry on, with how many of it are needed at once. */
	formers: FormerLine[]
	/** What somebody has instead of the usual. */
	exchanges: Exchange[]
}

/** What a studio has and how it works. */
export interface KitStudio {
	/** Lengths in which wires are sold, whole mm, at least one. */
	stockLengthsMm: readonly number[]
	terms?: KitTerms
	/** Of wire, on the shelf. */
	offcuts?: readonly OffcutStock[]
	/** Of each tool on the shelf. */
	owned?: OwnedTools
	/** To dry on, on the shelf. */
	places?: FormerPlaces
	/** What past classes have used; absent: as reckoned. */
	pasteUsed?: PasteUse | undefined
}

/** A studio as its kits see it: its shelf as far as these designs use it. */
export function kitStudioOf(
	terms: Pick<KitStudio, 'stockLengthsMm' | 'terms' | 'pasteUsed'>,
	stock: Stock,
	designs: readonly DesignInCourse[],
): KitStudio {
	const tools = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	return { ...terms, offcuts: offcutsOf(stock), owned: ownedToolsOf(stock, tools), places: formerPlacesOf(stock) }
}

/** @param roster - the first of it sit at the places; the others have none */
export function packClassKit(
	course: Course,
	designs: readonly DesignInCourse[],
	{
		compiled,
		plan,
		studio,
		roster = [],
	}: { compiled: CompiledCourse; plan: Plan; studio: KitStudio; roster?: readonly Student[] },
): ClassKit {
	const { terms = USUAL_KIT_TERMS, offcuts = [], owned = {}, places = {}, stockLengthsMm, pasteUsed } = studio
	const seats = seatStudents(course.studentCount, roster)
	const placing = placeSteps(designs, compiled, plan)
	const pieces = countClassPieces(course, designs, { seats, placing })
	const pasteMakers = listPasteMakers(
		designs.map(({ design }) => design),
		terms.boughtReady,
	)
	const supplies = billSupplies(course, designs, pieces, { seats, placing, terms, makers: pasteMakers })
	const paste = billPaste(pieces, seats, terms, {
		inMixtures: supplies.pastes,
		makers: pasteMakers,
		learnt: pasteUsed,
	})
	const dates = datesOf(course, compiled, plan)
	return {
		studentCount: course.studentCount,
		seats,
		dates,
		lines: pieces.map((line) => ({ ...line, isMadeAhead: isHandedOutFinished(designs, placing, line) })),
		paste: paste.lines,
		sheets: paste.groups,
		wires: billWires(
			pieces,
			{ designs, demoFlowers: course.demoFlowers, startOf: startsIn(compiled, plan) },
			{ stockLengthsMm, offcuts, minOffcutMm: terms.minOffcutMm },
		),
		supplies: supplies.lines,
		recipes: supplies.recipes,
		pasteMakers,
		atHand: supplies.atHand,
		colours: listColours(paste.lines, dates, terms),
		tools: listTools(course, designs, pieces, { placing, owned }),
		formers: findFormerPeaks(pieces, designs, { compiled, plan, terms, places }),
		exchanges: [...paste.exchanges, ...supplies.exchanges],
	}
}

/** When each step of the course begins, where it is done by the class. */
function startsIn(compiled: CompiledCourse, { placements }: Plan) {
	return (designId: string, stepId: string): number | undefined => {
		const placement = placements[taskOfStep(compiled, designId, stepId)]
		return placement && 'runs' in placement ? placement.runs[0]?.start : undefined
	}
}
