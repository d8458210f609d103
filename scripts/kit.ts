/** `npm run -s kit -- course.json`: kits, totals, cutting plans, sheets, tools and shopping of a course, as JSON. */
import { planCourse, resolveCourse } from '../core/plan/plan-course'
import { ORDINARY_TERMS } from '../core/plan/compile/drying-terms'
import { addDays } from '../core/time/calendar'
import { packClassKit } from '../core/kit/class-kit'
import { listNeeds, listShopping } from '../core/kit/shopping-list'
import { offcutsOf, ownedToolsOf } from '../core/kit/stock'
import { readCourseDocument } from '../exchange/course/course-document'
import { InputError } from '../core/errors'
import { runDoor } from './json-door'

/** Before the first session, where the document does not say what day it is. */
const DAYS_BEFORE = 14

runDoor('kit', ['course.json'], ([document]) => {
	const { course, designs, students, stock, stockLengthsMm, kitTerms, today } = readCourseDocument(document)
	const resolved = resolveCourse(course, designs)
	const tools = resolved.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	const owned = ownedToolsOf(stock, tools)
	const { compiled, plan, status, objective } = planCourse(course, designs, { ...ORDINARY_TERMS, ownedTools: owned })
	if (!plan) throw new InputError([{ path: '/course/sessions', message: 'the course has no plan in these sessions' }])
	const studio = { stockLengthsMm, terms: kitTerms, offcuts: offcutsOf(stock), owned }
	const kit = packClassKit(course, resolved, { compiled, plan, studio, roster: students })
	const day = today ?? addDays(course.sessions[0]?.date ?? '', -DAYS_BEFORE)
	return {
		plan: { status, objective },
		kits: kit.seats.map(({ number, student }, s) => ({
			seat: number,
			...(student && { student: student.name }),
			pieces: kit.lines.map(({ designId, part, shares }) => ({
				part: `${designId}/${part.id}`,
				count: shares.kits[s],
			})),
			paste: kit.paste.flatMap(({ item, shares }) =>
				shares.kits[s] ? [{ paste: item.paste, colour: item.colour, mg: shares.kits[s] }] : [],
			),
			supplies: kit.supplies.flatMap(({ item, shares }) =>
				shares.kits[s] ? [{ name: item.name, unit: item.unit, amount: shares.kits[s] }] : [],
			),
			exchanges: kit.exchanges.filter(({ seatNumber }) => seatNumber === number),
		})),
		totals: {
			pieces: kit.lines.map(({ designId, part, shares }) => ({ part: `${designId}/${part.id}`, ...shares })),
			paste: kit.paste.map(({ item, shares }) => ({ paste: item.paste, colour: item.colour, unit: 'mg', ...shares })),
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
		colours: kit.colours,
		tools: kit.tools,
		formers: kit.formers,
		shopping: listShopping(listNeeds(kit), stock, day),
	}
})
