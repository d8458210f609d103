/** Papers of a course that are made from its kits: lists to pack, buy, colour and prepare by. */
import { present } from '../../../../core/present'
import { cautionsOf } from '../../../../core/design/cautions'
import { listMakes } from '../../../../core/kit/make-list'
import type { CourseDates } from '../../../../core/kit/course-dates'
import { listPackingLines } from '../../../../core/kit/packing-lines'
import { listPreparation, type PreparationItem } from '../../../../core/kit/preparation'
import { listNeeds, listShopping, ordersBySupplier } from '../../../../core/kit/shopping-list'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { today } from '../../../shared/http/studio-clock.server'
import type { CurrentKit } from '../../../kit/read-kit.server'
import { toldPlan } from '../../../plan/told-plan.server'
import { amountCell, amountWords, lengthWords, moneyCell } from '../../../shared/words/amounts'
import { exchangeWords, seatName, STOCK_WORDS } from '../../../kit/words/kits'
import { recipeWords } from '../../../kit/words/recipes'
import { count, duration, longDay, shortDay } from '../../../shared/words/times'
import {
	cautionBlocks,
	PAPER_WORDS,
	type KitPaperName,
	type Paper,
	type PaperBlock,
	type PaperTable,
	type PaperZone,
} from '../paper'

export type KitOfCourse = CurrentKit & { kit: NonNullable<CurrentKit['kit']> }

/** One of the papers that are made from the kits of a course. */
export function makeKitPaper(name: KitPaperName, studio: Studio, current: KitOfCourse): Paper {
	const { course, designs } = current
	const cautions = cautionsOf(...designs.map(({ design }) => design))
	const wanted =
		name === 'packing' || name === 'station' ? cautions : cautions.filter(({ hazard }) => hazard === 'wire')
	return {
		name,
		title: PAPER_WORDS[name],
		subtitle: `${course.name}, ${count(course.studentCount, 'student')}, first on ${longDay(present(course.sessions[0], 'the first session').date)}`,
		// It lies at the place as one sheet.
		...(name === 'station' && { isOnePage: true }),
		blocks: [...contentOf(name, studio, current), ...(name === 'shopping' ? [] : cautionBlocks(wanted))],
	}
}

function contentOf(name: KitPaperName, studio: Studio, current: KitOfCourse): PaperBlock[] {
	switch (name) {
		case 'packing':
			return toBlocks(packingTables(studio, current))
		case 'station':
			// It lies on the tables: whose kit is exchanged, and why, is nobody else's business.
			return [{ type: 'zones', zones: stationZones(studio, current) }]
		case 'shopping':
			return toBlocks(shoppingTables(studio, current))
		case 'colouring':
			return toBlocks(colouringTables(studio, current))
		case 'prep-ahead':
			return toBlocks([preparationTable(studio, current)])
	}
}

function toBlocks(tables: readonly PaperTable[]): PaperBlock[] {
	return tables.map((table) => ({ type: 'table', ...table }))
}

/** Kits that are alike are one table. */
function packingTables({ units }: Studio, { kit }: KitOfCourse): PaperTable[] {
	const lines = listPackingLines(kit)
	const bags = new Map<string, { names: string[]; seat: number }>()
	for (const seat of [{ number: 0 }, ...kit.seats]) {
		const key = lines.map(({ amounts }) => amounts[seat.number]).join()
		const bag = bags.get(key) ?? { names: [], seat: seat.number }
		bag.names.push(seat.number === 0 ? 'Your own: to show and to bring' : seatName(seat))
		bags.set(key, bag)
	}
	const tables = [...bags.values()].map(({ names, seat }): PaperTable => ({
		heading: names.length === 1 ? (names[0] ?? '') : `${count(names.length, 'kit')}: ${names.join(', ')}`,
		hasBoxes: true,
		columns: [{ label: 'How much', isNumber: true }, { label: 'What' }, { label: 'For' }],
		rows: lines
			.filter(({ amounts }) => (amounts[seat] ?? 0) > 0)
			.map(({ amounts, unit, name, detail }) => [amountCell(amounts[seat] ?? 0, unit, units), name, detail]),
	}))
	return [...tables, ...exchangeTables({ kit })]
}

function exchangeTables({ kit }: Pick<KitOfCourse, 'kit'>): PaperTable[] {
	if (kit.exchanges.length === 0) return []
	return [
		{
			heading: 'Exchanges and warnings',
			columns: [{ label: 'Who' }, { label: 'What' }],
			rows: kit.exchanges.map((exchange) => [
				seatName(kit.seats[exchange.seatNumber - 1] ?? { number: exchange.seatNumber }),
				exchangeWords(exchange),
			]),
		},
	]
}

/** Wet at the left, paste before her, tools at the right, dry things away from the water. */
function stationZones({ units }: Studio, { kit }: KitOfCourse): PaperZone[] {
	const perPlace = kit.tools.filter(({ ownedCount, studentCount }) => (ownedCount ?? studentCount) >= studentCount)
	const shared = kit.tools.filter((line) => !perPlace.includes(line))
	const supplies = kit.supplies.filter(({ shares }) => shares.usual > 0)
	const isWet = ({ item }: (typeof supplies)[number]) => item.unit === 'µl' || item.material === 'glaze'
	const tell = ({ item, shares }: (typeof supplies)[number]) =>
		`${item.name}, ${amountWords(shares.usual, item.unit, units)}`
	return [
		{ title: 'To dry on', items: kit.formers.map(({ former }) => former), x: 0, y: 0, width: 0.5, height: 0.3 },
		{
			title: 'Shared, in the middle of the table',
			items: shared.map(({ tool, ownedCount }) => `${ownedCount} × ${tool} for the class`),
			x: 0.5,
			y: 0,
			width: 0.5,
			height: 0.3,
		},
		{
			title: 'Wet',
			items: [...supplies.filter(isWet).map(tell), 'wet wipes'],
			x: 0,
			y: 0.3,
			width: 0.27,
			height: 0.42,
		},
		{
			title: 'Board',
			items: [
				...kit.paste
					.filter(({ shares }) => shares.usual > 0)
					.map(
						({ item, handOut }) => `${item.colour} ${item.paste}, ${amountWords(handOut.usual, 'mg', units)}, wrapped`,
					),
				'sleeve for cut pieces',
			],
			x: 0.27,
			y: 0.3,
			width: 0.43,
			height: 0.42,
		},
		{ title: 'Tools', items: perPlace.map(({ tool }) => tool), x: 0.7, y: 0.3, width: 0.3, height: 0.42 },
		{
			title: 'Dry',
			items: supplies.filter((line) => !isWet(line)).map(tell),
			x: 0,
			y: 0.72,
			width: 0.6,
			height: 0.28,
		},
		{
			title: 'Wires',
			items: kit.wires.flatMap(({ gauge, colour, lines }) =>
				lines
					.filter(({ shares }) => shares.usual > 0)
					.map(({ lengthMm, shares }) => `${shares.usual} × ${lengthWords(lengthMm, units)}, ${gauge} ${colour}`),
			),
			x: 0.6,
			y: 0.72,
			width: 0.4,
			height: 0.28,
		},
	]
}

function shoppingTables({ units, kitTerms, timeZone }: Studio, { kit, stock }: KitOfCourse): PaperTable[] {
	const { lines } = listShopping(listNeeds(kit), stock, today(timeZone))
	const bySupplier = ordersBySupplier(lines).map(({ supplierName, orders }): PaperTable => ({
		heading: supplierName,
		hasBoxes: true,
		columns: [
			{ label: 'What' },
			{ label: 'Packs', isNumber: true },
			{ label: 'Price', isNumber: true },
			{ label: 'Order by' },
		],
		rows: orders.map(({ line, order }) => [
			line.name,
			`${order.packCount} × ${amountWords(order.packAmount, line.unit, units)}`,
			moneyCell(order.costCents, kitTerms.currency),
			shortDay(order.orderBy) + (line.isLate ? ', too late' : ''),
		]),
	}))
	const rest = lines.filter(({ toBuy, isOffered }) => toBuy > 0 && !isOffered)
	const others: PaperTable = {
		heading: 'To get yourself',
		hasBoxes: true,
		columns: [{ label: 'What' }, { label: 'How much', isNumber: true }, { label: 'Kind' }, { label: 'By' }],
		rows: rest.map(({ name, toBuy, unit, kind, neededBy }) => [
			name,
			amountCell(toBuy, unit, units),
			STOCK_WORDS[kind],
			shortDay(neededBy),
		]),
	}
	return rest.length > 0 ? [...bySupplier, others] : bySupplier
}

function colouringTables({ units }: Studio, { kit }: KitOfCourse): PaperTable[] {
	const days = [...new Set(kit.colours.map(({ colourBy }) => colourBy))]
	const makes = listMakes(kit)
	const making: PaperTable = {
		heading: 'To knead and mix',
		hasBoxes: true,
		columns: [{ label: 'Make' }, { label: 'Of' }, { label: 'In all', isNumber: true }, { label: 'By' }],
		rows: makes.map(({ name, ingredients, amount, unit, makeBy }) => [
			name,
			recipeWords(ingredients, units),
			amountCell(amount, unit, units),
			shortDay(makeBy),
		]),
	}
	const colouring = days.map((day): PaperTable => ({
		heading: `By ${longDay(day)}`,
		hasBoxes: true,
		columns: [
			{ label: 'Colour' },
			{ label: 'Paste' },
			{ label: 'Weigh', isNumber: true },
			{ label: 'Gel, about', isNumber: true },
		],
		rows: kit.colours
			.filter(({ colourBy }) => colourBy === day)
			.map(({ colour, paste, shares, gelMg }) => [
				colour,
				paste,
				amountCell(shares.total, 'mg', units),
				gelMg === 0 ? '–' : amountCell(gelMg, 'mg', units),
			]),
	}))
	return makes.length > 0 ? [making, ...colouring] : colouring
}

interface DayRow {
	/** As 2026-03-12. */
	date: string
	what: string
	detail: string
}

/** Everything with its day, the first day first. */
function preparationTable(studio: Studio, { coursePlan, designs, fingerprint, kit, stock }: KitOfCourse): PaperTable {
	const story = toldPlan({ coursePlan, designs, fingerprint })?.story
	const date = today(studio.timeZone)
	const rows: DayRow[] = [
		...(story ? listPreparation(story, kit) : []).map((item) => preparationRow(item, kit.dates)),
		...listMakes(kit).map(({ name, isPaste, ingredients, makeBy }) => ({
			date: makeBy,
			what: `${isPaste ? 'Knead' : 'Mix'} ${name}`,
			detail: recipeWords(ingredients, studio.units),
		})),
		...kit.colours.map(({ colourBy, colour, paste, shares }) => ({
			date: colourBy,
			what: `Colour ${paste}: ${colour}`,
			detail: amountWords(shares.total, 'mg', studio.units),
		})),
		...ordersBySupplier(listShopping(listNeeds(kit), stock, date).lines).flatMap(orderRows),
	]
	return {
		heading: 'Day by day',
		hasBoxes: true,
		columns: [{ label: 'Day' }, { label: 'What' }, { label: '' }],
		rows: rows
			.toSorted((a, b) => a.date.localeCompare(b.date))
			.map((row) => [shortDay(row.date) + (row.date < date ? ' (past)' : ''), row.what, row.detail]),
	}
}

function preparationRow(item: PreparationItem, { ahead, beforeClass }: CourseDates): DayRow {
	switch (item.type) {
		case 'swap':
			return {
				date: ahead,
				what: `Make ${item.pieceCount} × ${item.partName.toLowerCase()} to bring dried`,
				detail: `made up to “${item.label.toLowerCase()}”, ${duration(item.minutes)}`,
			}
		case 'ahead':
			return {
				date: ahead,
				what: `${item.partName}: ${item.label.toLowerCase()}`,
				detail: `for all students, ${duration(item.minutes)}`,
			}
		case 'wires':
			return {
				date: beforeClass,
				what: `Cut ${count(item.pieceCount, 'wire')}, ${item.gauge} ${item.colour}`,
				detail: `from ${count(item.wireCount, 'stock wire')}`,
			}
		case 'kits':
			return { date: beforeClass, what: `Pack ${count(item.kitCount, 'kit')}`, detail: '' }
	}
}

/** What is ordered from a supplier by one day is one row. */
function orderRows({ supplierName, orders }: ReturnType<typeof ordersBySupplier>[number]): DayRow[] {
	return [...new Set(orders.map(({ order }) => order.orderBy))].map((orderBy) => ({
		date: orderBy,
		what: `Order from ${supplierName}`,
		detail: orders
			.filter(({ order }) => order.orderBy === orderBy)
			.map(({ line }) => line.name)
			.join(', '),
	}))
}
