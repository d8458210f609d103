/** One paper as a page that is made for print. */
import { FilePdfOutlined, PrinterOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { Link } from 'react-router'
import { NotFoundError } from '../../../../core/errors'
import { ChoiceLinks } from '../../../design/components/choice-links/choice-links'
import { seatName } from '../../../kit/words/kits'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { sessionName, shortDay } from '../../../shared/words/times'
import { PaperView } from '../../components/paper-view/paper-view'
import { makePaper } from '../../papers/make/make-paper.server'
import { PAPER_NAMES, PAPER_WORDS } from '../../papers/paper'
import { readPlannedCourse } from '../../read-planned-course.server'
import { readAskedPaper, readSheetSize } from '../../schemas/paper-address'
import type { Route } from './+types/route'
import { listPaperChoices } from './paper-choices'
import { FileLink } from '../../../shared/components/file-link'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.paper.title ?? 'Paper'} · Calycine` }]
}

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const name = PAPER_NAMES.find((one) => one === params.paper)
		if (!name) throw new NotFoundError('There is no such paper.')
		const course = await courseOfPage(context, params)
		const current = await readPlannedCourse(studio, course)
		const { searchParams } = new URL(request.url)
		const { seats } = current.kit
		const sessions = current.story.sessions.map(({ session, number }) => {
			return `${sessionName(session.startMin, number)}, ${shortDay(session.date)}`
		})
		const asked = readAskedPaper(searchParams, {
			sessionCount: sessions.length,
			leftHanded: seats.map(({ student }) => student?.isLeftHanded ?? false),
		})
		const size = readSheetSize(searchParams, studio.paper)
		return {
			courseId: course.id,
			name,
			paper: makePaper(name, { studio, current, size }, asked),
			...listPaperChoices(name, { sessions, students: seats.map(seatName), asked, size }),
		}
	})
}

/** One paper, on the screen as it will be printed. */
export default function CoursePaperPage({ loaderData }: Route.ComponentProps) {
	const { courseId, name, paper, choices, picks } = loaderData
	const query = new URLSearchParams(picks).toString()
	return (
		<>
			<section className="paper-bar no-print" aria-label={`${PAPER_WORDS[name]}, as wanted`}>
				<div className="row">
					<Button type="primary" icon={<PrinterOutlined aria-hidden />} onClick={() => window.print()}>
						Print
					</Button>
					<FileLink href={`/courses/${courseId}/files/${name}.pdf?${query}`} icon={<FilePdfOutlined aria-hidden />}>
						PDF
					</FileLink>
					{name === 'run-sheet' && (
						<FileLink href={`/courses/${courseId}/files/session.pdf?${query}`} icon={<FilePdfOutlined aria-hidden />}>
							All of this session
						</FileLink>
					)}
					<Link to={`/courses/${courseId}/kits/papers`}>All papers</Link>
				</div>
				<ChoiceLinks choices={choices} picks={picks} />
			</section>
			<PaperView paper={paper} />
		</>
	)
}
