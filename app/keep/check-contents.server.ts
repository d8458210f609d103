/** Whether the rows of a copied studio say what the app could have written itself: each is read as what comes from forms and files is. */
import type { ObjectSchema } from 'yup'
import { ValidationError } from 'yup'
import { isCoursePin, MOST_PINS } from '../../core/course/course-pin'
import { validateCourse } from '../../core/course/validate-course'
import type { Course } from '../../core/course/course'
import { InputError, type FieldProblem } from '../../core/errors'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import { USUAL_STRAIN_TERMS } from '../../core/plan/compile/strain-terms'
import { USUAL_PREP_TERMS } from '../../core/prepare/prep-terms'
import type { PaperName } from '../../core/outlines/template-sheet'
import { STOCK_KINDS, stockKey, type StockKind } from '../../core/kit/stock'
import { readStoredPlan } from '../../core/plan/stored-plan'
import { placeOf } from '../../db/whole-studio/check-columns.server'
import { stripJpeg } from '../../exchange/photo/strip-jpeg'
import { readAgainst, readDraft, readInstance, readPlan } from '../../exchange/read-document'
import rowsSchema from '../../exchange/schemas/studio-rows.schema.json'
import { pictureName, type Row, type StudioRows } from '../../exchange/studio/studio-archive'
import { studentSchema } from '../kit/schemas/people'
import { eventSchema } from '../run/schemas/run-events'
import { courseShape } from '../shared/schemas/course-shape'
import { studioSchema } from '../studio/schemas/studio'

const USUAL_PAPER: PaperName = 'a4'

type Tables = StudioRows['tables']

/** A copy with more problems is no copy of ours. */
const MOST_PROBLEMS = 20

/**
 * @param rows - whose columns fit their tables; of its pictures what is no picture is cut off
 * @throws {InputError} each problem with the file and the row of it, the first 20
 */
export async function checkContents({ settings, tables, pictures }: StudioRows): Promise<void> {
	const problems = await problemsOfSettings(settings)
	for (const [name, rows] of Object.entries(tables)) {
		for (const [r, row] of rows.entries()) {
			if (problems.length >= MOST_PROBLEMS) break
			const told = await problemsOf(() => checkRow(name, row, { r, tables, pictures }))
			problems.push(
				...told.map(({ path, message }) => ({ path: placeOf(name, r), message: `${path} ${message}`.trim() })),
			)
		}
	}
	if (problems.length > 0) throw new InputError(problems.slice(0, MOST_PROBLEMS))
}

async function problemsOfSettings(settings: Row): Promise<FieldProblem[]> {
	const { learnt: _, learnsStudents: __, ...formed } = settings
	const told = await problemsOf(async () => {
		readAgainst(rowsSchema, { settings })
		await fits(studioSchema, { ...asShown(formed), version: 1 })
	})
	return told.map(({ path, message }) => ({ path: 'studio.json', message: `${path} ${message}`.trim() }))
}

/** As the form would show it: what was never set, or came later than the copy, is as usual. */
function asShown({ ownPastes, kitTerms, strainTerms, prepTerms, ...rest }: Row): Row {
	return {
		...{
			paper: USUAL_PAPER,
			units: 'metric',
			dryingConfidence: 0.9,
			readingMaxAgeMinutes: 60,
			peopleMonths: 12,
			...rest,
		},
		ownPastes: ownPastes ?? [],
		kitTerms: { ...USUAL_KIT_TERMS, ...(kitTerms as object) },
		strainTerms: { ...USUAL_STRAIN_TERMS, ...(strainTerms as object) },
		prepTerms: { ...USUAL_PREP_TERMS, ...(prepTerms as object) },
	}
}

interface Place {
	r: number
	tables: Tables
	pictures: StudioRows['pictures']
}

/** @throws what the readers of the app throw */
async function checkRow(name: string, row: Row, { r, tables, pictures }: Place): Promise<void> {
	readAgainst(rowsSchema, { [name]: row })
	switch (name) {
		case 'designs':
		case 'designVersions':
			return checkDesign(name, row, tables)
		case 'stockItems':
			if (!(STOCK_KINDS as readonly unknown[]).includes(row['kind'])) refuse('kind', 'is none of those of the shelf')
			if (row['itemKey'] !== stockKey(row['kind'] as StockKind, String(row['name']))) refuse('itemKey', 'is another')
			return
		case 'courses':
			return checkCourse(row, r + 1, tables)
		case 'plans':
			return checkPlan(row['document'])
		case 'students': {
			const { id: _, courseId: __, position: ___, ...student } = row
			return fits(studentSchema, student)
		}
		case 'runEvents':
			if (row['eventId'] !== (row['event'] as Row)['id']) refuse('eventId', 'is another')
			await eventSchema.validate(row['event'], { strict: true })
			return
		case 'photos':
		case 'runPhotos':
			return checkPicture(pictureName(name, r + 1), row, pictures)
		default:
	}
}

function checkDesign(
	name: string,
	{ document, slug, name: designName, kind, level, designId }: Row,
	tables: Tables,
): void {
	const design = readDraft(document)
	const isOf = name === 'designs' ? slug : tables['designs']?.[Number(designId) - 1]?.['slug']
	if (design.id !== isOf) refuse('document', 'is of another design')
	if (name === 'designs' && (design.name !== designName || design.kind !== kind || design.level !== level))
		refuse('document', 'says another name, kind or level')
}

/** As a form would send it, with its designs and sessions; that its designs are still there is not asked: they may be gone. */
async function checkCourse(row: Row, number: number, tables: Tables): Promise<void> {
	const partsOf = (table: string) => (tables[table] ?? []).filter(({ courseId }) => courseId === number)
	const { name, studentCount, pace, planFor, spareConfidence, demoFlowers, homeworkMinutes, pins, waits } = row
	const { homeAfterDays, endEarly, storeId } = row
	const course = {
		...{ name, studentCount, pace, planFor, spareConfidence, demoFlowers, homeworkMinutes, homeAfterDays, endEarly },
		...(storeId !== null && { storeId }),
		designs: partsOf('courseDesigns').map(({ slug, itemKey, itemName, flowersPerStudent, picks }) => ({
			...{ designId: slug, flowersPerStudent, picks },
			...(itemKey !== null && itemKey !== slug && { key: itemKey }),
			...(Boolean(itemName) && { name: itemName }),
		})),
		sessions: partsOf('courseSessions').map(
			({ date, startMin, endMin, setUpMinutes, clearAwayMinutes, breaks, roomId, bufferMinutes }) => ({
				...{ date, startMin, endMin, setUpMinutes, clearAwayMinutes, breaks },
				...(roomId !== null && { roomId }),
				...(bufferMinutes !== null && { bufferMinutes }),
			}),
		),
	}
	if (pins !== null && !(Array.isArray(pins) && pins.length <= MOST_PINS && pins.every(isCoursePin)))
		refuse('pins', 'are no things to settle')
	await fits(courseShape, course)
	const told = validateCourse({ ...course, ...(pins !== null && { pins }), ...(waits !== null && { waits }) } as Course)
	if (told.length > 0) throw new InputError(told)
}

function checkPlan(document: unknown): void {
	const { compiled, plan } = readStoredPlan(document)
	readInstance(compiled.instance)
	if (plan) readPlan(plan)
}

/** What is beside the picture is cut off, as it is of every photo that comes in. */
function checkPicture(name: string, row: Row, pictures: StudioRows['pictures']): void {
	const { bytes, widthPx, heightPx } = stripJpeg(pictures.get(name) ?? new Uint8Array())
	const isSize = row['widthPx'] === undefined || (row['widthPx'] === widthPx && row['heightPx'] === heightPx)
	if (!isSize) refuse('widthPx', 'is not that of its picture')
	pictures.set(name, bytes)
}

async function fits(schema: ObjectSchema<object>, value: object): Promise<void> {
	await schema.validate(value, { abortEarly: false })
}

/** What readers throw at input that is wrong; a TypeError where a shape is another than they take for granted. */
async function problemsOf(check: () => Promise<void>): Promise<FieldProblem[]> {
	try {
		await check()
		return []
	} catch (error) {
		if (error instanceof InputError) return [...error.problems]
		if (error instanceof ValidationError)
			return (error.inner.length > 0 ? error.inner : [error]).map(({ path = '', message }) => ({ path, message }))
		if (error instanceof TypeError || error instanceof RangeError)
			return [{ path: '', message: 'This row is not as Calycine writes it.' }]
		throw error
	}
}

function refuse(path: string, message: string): never {
	throw new InputError([{ path, message }])
}
