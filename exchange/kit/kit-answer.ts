/** What the command-line doors say of a course's kits. */
import type { ClassKit } from '../../core/kit/class-kit'
import { packClassKit } from '../../core/kit/class-kit'
import { listMakes } from '../../core/kit/make-list'
import { listNeeds, listShopping } from '../../core/kit/shopping-list'
import { offcutsOf, ownedToolsOf } from '../../core/kit/stock'
import type { OwnedTools } from '../../core/materials/sharing/tool-sharing'
import type { CompiledCourse } from '../../core/plan/compile/compiled-course'
import type { Plan } from '../../core/plan/problem/plan'
import { addDays } from '../../core/time/calendar'
import type { CourseDocument } from '../course/course-document'

/** Before the first session, where the document does not say what day it is. */
const DAYS_BEFORE = 14

/** How many of each tool there are, by the document's list or its shelf. */
export function ownedIn({ resolved, stock, terms }: CourseDocument): OwnedTools {
	const tools = resolved.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	return { ...ownedToolsOf(stock, tools), ...terms.ownedTools }
}

/** Kits, totals, cutting plans, sheets, tools and shopping of a planned course. */
export function tellKit(
	document: CourseDocument,
	{ compiled, plan }: { compiled: CompiledCourse; plan: Plan },
): object {
	const { course, resolved, students, stock, stockLengthsMm, kitTerms, today } = document
	const studio = { stockLengthsMm, terms: kitTerms, offcuts: offcutsOf(stock), owned: ownedIn(document) }
	const kit: ClassKit = packClassKit(course, resolved, { compiled, plan, studio, roster: students })
	const day = today ?? addDays(course.sessions[0]?.date ?? '', -DAYS_BEFORE)
	return {
		kits: kit.seats.map(({ number, student }, s) => ({
			seat: number,
			...(student && { student: student.name }),
			pieces: kit.lines.map(({ designId, part, shares }) => ({
				part: `${designId}/${part.id}`,
				count: shares.kits[s],
			})),
			paste: kit.paste.flatMap(({ item, shares, handOut }) =>
				shares.kits[s]
					? [{ paste: item.paste, colour: item.colour, mg: shares.kits[s], handOutMg: handOut.kits[s] }]
					: [],
			),
			supplies: kit.supplies.flatMap(({ item, shares }) =>
				shares.kits[s] ? [{ name: item.name, unit: item.unit, amount: shares.kits[s] }] : [],
			),
			exchanges: kit.exchanges.filter(({ seatNumber }) => seatNumber === number),
		})),
		totals: {
			pieces: kit.lines.map(({ designId, part, shares }) => ({ part: `${designId}/${part.id}`, ...shares })),
			paste: kit.paste.map(({ item, shares, handOut }) => ({
				paste: item.paste,
				colour: item.colour,
				unit: 'mg',
				...shares,
				handOut,
			})),
			supplies: kit.supplies.map(({ item, shares }) => ({ name: item.name, unit: item.unit, ...shares })),
		},
		wires: kit.wires,
		sheets: kit.sheets.map(({ item, thicknessMm, maker, massMg, sheets }) => ({
			paste: item.paste,
			colour: item.colour,
			thicknessMm,
			maker,
			massMg,
			sheets: sheets.map(({ widthMm, heightMm, pieces, yield: share }) => ({
				widthMm,
				heightMm,
				yield: share,
				pieces: pieces.map(({ id, xMm, yMm, angleRad }) => ({ part: id, xMm, yMm, angleRad })),
			})),
		})),
		made: listMakes(kit),
		colours: kit.colours,
		tools: kit.tools,
		formers: kit.formers,
		shopping: listShopping(listNeeds(kit), stock, day),
	}
}
