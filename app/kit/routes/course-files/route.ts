/** Files of a course: papers as PDF, CSV and spreadsheet, labels, its people, and the course in the exchange form. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { NotFoundError } from '../../../../core/errors'
import { namePlan } from '../../../../core/plan/named-plan'
import { getRoster } from '../../../../db/repositories/students.server'
import { writeCourseDocument } from '../../../../exchange/course/course-document'
import { peopleCsv } from '../../../../exchange/course/people-csv'
import { tablesCsv } from '../../../../exchange/csv'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { requireKit } from '../../read-kit.server'
import { makeLabels } from '../../papers/make-labels.server'
import { makePaper } from '../../papers/make-paper.server'
import { drawLabelPdf, drawPaperPdf } from '../../papers/draw-paper-pdf.server'
import { cellText, LABEL_SIZES, PAPER_NAMES } from '../../papers/paper'
import { writePaperSheet } from '../../papers/write-paper-sheet.server'
import type { Route } from './+types/route'

const SHEET_TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

export function loader({ params: { courseId, file }, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, { courseId })
		const name = `course-${course.id}-${file}`
		if (file === 'people.csv')
			return answerFile(peopleCsv((await getRoster(studio.id, course.id)).students), {
				name,
				type: 'text/csv; charset=utf-8',
			})
		const current = await requireKit(studio, course)
		if (file === 'course.json') {
			const { id: _, version: __, ...plain } = course
			// People stay here: a file that is handed on holds none.
			const document = writeCourseDocument({
				course: plain,
				designs: current.documents,
				students: [],
				stockLengthsMm: studio.wireLengthsMm,
				terms: current.coursePlan.terms,
				plan: current.coursePlan.plan && namePlan(current.coursePlan.plan, current.coursePlan.compiled.instance),
			})
			return answerFile(`${JSON.stringify(document, null, '\t')}\n`, { name, type: 'application/json' })
		}
		if (file === 'labels.pdf') {
			const wanted = new URL(request.url).searchParams.get('size')
			const size = LABEL_SIZES.find((one) => one.id === wanted) ?? LABEL_SIZES[0]
			const pdf = await drawLabelPdf(`${course.name}: labels`, makeLabels(studio, current), size)
			return answerFile(pdf, { name, type: 'application/pdf' })
		}
		const [stem, type] = file.split('.')
		const paperName = PAPER_NAMES.find((one) => one === stem)
		if (!paperName) throw new NotFoundError('There is no such file.')
		const paper = makePaper(paperName, studio, current)
		switch (type) {
			case 'pdf':
				return answerFile(await drawPaperPdf(paper), { name, type: 'application/pdf' })
			case 'csv':
				return answerFile(
					tablesCsv(paper.tables.map((table) => ({ ...table, rows: table.rows.map((row) => row.map(cellText)) }))),
					{ name, type: 'text/csv; charset=utf-8' },
				)
			case 'xlsx':
				return answerFile(await writePaperSheet(paper), { name, type: SHEET_TYPE })
			default:
				throw new NotFoundError('There is no such file.')
		}
	})
}
