/** Papers of a course: to look at and print, as PDF, as files for spreadsheets; and stickers for the bags. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Link } from 'react-router'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { LABEL_SIZES, PAPER_NAMES, PAPER_WORDS, type PaperName } from '../../papers/paper'
import type { Route } from './+types/route'
import './kit-papers.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { state } = await readKit(context.get(memberContext).studio, await courseOfPage(context, params))
		return { state }
	})
}

const FOR: Record<PaperName, string> = {
	packing: 'every bag with its amounts and a box to tick; kits that are alike once',
	station: 'what lies where at a place, to lay the tables by',
	shopping: 'by supplier, with packs, prices and the day to order by',
	colouring: 'which colour, how much of it, and when',
	'prep-ahead': 'orders, colouring, making ahead, cutting and packing, day by day',
}

/** Every paper of a course with the forms in which it can be had. */
export default function KitPapersPage({ loaderData: { state } }: Route.ComponentProps) {
	const base = `/courses/${state.courseId}`
	return (
		<KitNotices state={state}>
			<ul className="paper-list">
				{PAPER_NAMES.map((name) => (
					<li key={name} className="sheet">
						<h2>
							<Link to={`${base}/papers/${name}`}>{PAPER_WORDS[name]}</Link>
						</h2>
						<p className="soft">{FOR[name]}</p>
						<div className="row">
							<a className="option-link" href={`${base}/files/${name}.pdf`} aria-label={`${PAPER_WORDS[name]}, PDF`}>
								PDF
							</a>
							<a
								className="option-link"
								href={`${base}/files/${name}.xlsx`}
								aria-label={`${PAPER_WORDS[name]}, spreadsheet`}
							>
								Spreadsheet
							</a>
							<a className="option-link" href={`${base}/files/${name}.csv`} aria-label={`${PAPER_WORDS[name]}, CSV`}>
								CSV
							</a>
						</div>
					</li>
				))}
				<li className="sheet">
					<h2>Labels for the bags</h2>
					<p className="soft">stickers on a sheet of A4, a bag each: name, paste, exchanges. Size of one, mm:</p>
					<div className="row">
						{LABEL_SIZES.map(({ id, widthMm, heightMm, columns, rows }) => (
							<a key={id} className="option-link" href={`${base}/files/labels.pdf?size=${id}`}>
								{widthMm} × {heightMm} <span className="soft small">&nbsp;{columns * rows} a sheet</span>
							</a>
						))}
					</div>
				</li>
				<li className="sheet">
					<h2>The calendar</h2>
					<p className="soft">
						sessions, when trays are ready, and by when things are made and ordered, for your own calendar; nobody’s
						name is in it
					</p>
					<div className="row">
						<a className="option-link" href={`${base}/calendar.ics`}>
							Calendar file
						</a>
					</div>
				</li>
				<li className="sheet">
					<h2>The course itself</h2>
					<p className="soft">designs, choices and sessions in the exchange form, without anybody’s name</p>
					<div className="row">
						<a className="option-link" href={`${base}/files/course.json`}>
							JSON
						</a>
					</div>
				</li>
			</ul>
		</KitNotices>
	)
}
