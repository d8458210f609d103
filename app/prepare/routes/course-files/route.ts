/** Files of a course: papers as PDF, CSV and spreadsheet, all of them in one, labels, its people, and the course itself. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { NotFoundError } from '../../../../core/errors'
import { getRoster } from '../../../../db/repositories/students.server'
import { peopleCsv } from '../../../../exchange/course/people-csv'
import { writeCourseText } from '../../../plan/course-text.server'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { drawLabelPdf } from '../../papers/draw/draw-label-pdf.server'
import { drawPapersPdf } from '../../papers/draw/draw-paper-pdf.server'
import { paperCsv, writeFolder } from '../../papers/draw/write-folder.server'
import { writePaperSheet } from '../../papers/draw/write-paper-sheet.server'
import { makeSessionPack, makeWholePack, type NamedPaper } from '../../papers/make/course-pack.server'
import { makeLabels } from '../../papers/make/make-labels.server'
import { makePaper } from '../../papers/make/make-paper.server'
import type { PaperTerms } from '../../papers/make/paper-terms'
import { LABEL_SIZES, PAPER_NAMES } from '../../papers/paper'
import { readPlannedCourse } from '../../read-planned-course.server'
import { readAskedPaper, readSheetSize } from '../../schemas/paper-address'
import { writeCourseCalendar } from '../../write-calendars.server'
import type { Route } from './+types/route'

const PDF = 'application/pdf'
const CSV = 'text/csv; charset=utf-8'
const SHEET_TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

export function loader({ params: { courseId, file }, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, { courseId })
		const name = `course-${course.id}-${file}`
		if (file === 'people.csv')
			return answerFile(peopleCsv((await getRoster(studio.id, course.id)).students), { name, type: CSV })
		const { searchParams } = new URL(request.url)
		const current = await readPlannedCourse(studio, course)
		const terms = { studio, current, size: readSheetSize(searchParams, studio.paper) }
		switch (file) {
			case 'course.json':
				return answerFile(writeCourseText(studio, current), { name, type: 'application/json' })
			case 'labels.pdf': {
				const size = LABEL_SIZES.find(({ id }) => id === searchParams.get('size')) ?? LABEL_SIZES[0]
				const pdf = await drawLabelPdf(`${course.name}: labels`, makeLabels(studio, current), size)
				return answerFile(pdf, { name, type: PDF })
			}
			case 'all.pdf':
				return answerFile(await packPdf(course.name, makeWholePack(terms), terms), { name, type: PDF })
			case 'session.pdf': {
				const { session } = askedOf(searchParams, terms)
				const pdf = await packPdf(course.name, makeSessionPack(terms, session), terms)
				return answerFile(pdf, { name: `course-${course.id}-session-${session + 1}.pdf`, type: PDF })
			}
			case 'folder.zip': {
				const texts = {
					'course.json': writeCourseText(studio, current),
					'calendar.ics': await writeCourseCalendar(studio, current),
				}
				return answerFile(await writeFolder(makeWholePack(terms), texts, terms.size), { name, type: 'application/zip' })
			}
			default:
				return answerPaper(file, searchParams, terms)
		}
	})
}

async function answerPaper(file: string, search: URLSearchParams, terms: PaperTerms): Promise<Response> {
	const [stem, type] = file.split('.')
	const paperName = PAPER_NAMES.find((one) => one === stem)
	if (!paperName) throw new NotFoundError('There is no such file.')
	const paper = makePaper(paperName, terms, askedOf(search, terms))
	const name = `course-${terms.current.course.id}-${file}`
	switch (type) {
		case 'pdf': {
			const pdf = await drawPapersPdf(`${paper.title}: ${paper.subtitle}`, [paper], terms.size)
			return answerFile(pdf, { name, type: PDF })
		}
		case 'csv':
			return answerFile(paperCsv(paper), { name, type: CSV })
		case 'xlsx':
			return answerFile(await writePaperSheet(paper), { name, type: SHEET_TYPE })
		default:
			throw new NotFoundError('There is no such file.')
	}
}

function askedOf(search: URLSearchParams, { current: { kit, story } }: PaperTerms) {
	return readAskedPaper(search, {
		sessionCount: story.sessions.length,
		leftHanded: kit.seats.map(({ student }) => student?.isLeftHanded ?? false),
	})
}

function packPdf(courseName: string, pack: readonly NamedPaper[], { size }: PaperTerms) {
	return drawPapersPdf(
		`${courseName}: papers`,
		pack.map(({ paper }) => paper),
		size,
	)
}
