/** Papers of a course: to look at and print, as PDF, as files for spreadsheets; and stickers for the bags. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Link } from 'react-router'
import { KitNotices } from '../../../kit/components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../../kit/read-kit.server'
import { sessionName } from '../../../shared/words/times'
import { CLASS_PAPERS, KIT_PAPERS, LABEL_SIZES, PAPER_WORDS, type PaperName } from '../../papers/paper'
import type { Route } from './+types/route'
import './course-papers.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { state, course } = await readKit(context.get(memberContext).studio, await courseOfPage(context, params))
		const sessions = course.sessions.map(({ startMin }, s) => sessionName(startMin, s + 1))
		return { state, sessions }
	})
}

const FOR: Record<PaperName, string> = {
	'run-sheet': 'a session minute by minute: what to have out, to hand over and to say, with boxes to tick',
	course: 'all sessions with what dries between them, what comes from home, what to bring',
	'hand-out': 'the flower layer by layer, each step with its wait, templates true to size; for each student by name',
	card: 'what of it is no food, and how it keeps: to cut out, four to a sheet',
	packing: 'every bag with its amounts and a box to tick; kits that are alike once',
	station: 'what lies where at a place, to lay the tables by',
	shopping: 'by supplier, with packs, prices and the day to order by',
	colouring: 'which colour, how much of it, and when',
	'prep-ahead': 'orders, colouring, making ahead, cutting and packing, day by day',
}

interface FileLink {
	href: string
	words: string
	/** Where the words alone do not say of what. */
	label?: string
}

/** Every paper of a course with the forms in which it can be had. */
export default function CoursePapersPage({ loaderData: { state, sessions } }: Route.ComponentProps) {
	const base = `/courses/${state.courseId}`
	const files = `${base}/files`
	return (
		<KitNotices state={state}>
			<ul className="paper-list">
				{CLASS_PAPERS.map((name) => (
					<PaperItem key={name} to={`${base}/papers/${name}`} name={name} files={[pdfOf(files, name)]} />
				))}
				{KIT_PAPERS.map((name) => (
					<PaperItem
						key={name}
						to={`${base}/papers/${name}`}
						name={name}
						files={[
							pdfOf(files, name),
							{ href: `${files}/${name}.xlsx`, words: 'Spreadsheet', label: `${PAPER_WORDS[name]}, spreadsheet` },
							{ href: `${files}/${name}.csv`, words: 'CSV', label: `${PAPER_WORDS[name]}, CSV` },
						]}
					/>
				))}
				<FileItem
					heading="All of a session"
					words="its run sheet and the layout of a place; with the first the packing list and every hand-out, with the last the cards"
					files={sessions.map((words, s) => ({ href: `${files}/session.pdf?session=${s + 1}`, words }))}
				/>
				<FileItem
					heading="The whole course"
					words="every paper of every session and student in one file to print, or in a folder with tables, the calendar and the course itself"
					files={[
						{ href: `${files}/all.pdf`, words: 'One PDF' },
						{ href: `${files}/folder.zip`, words: 'Folder (zip)' },
					]}
				/>
				<FileItem
					heading="Labels for the bags"
					words="stickers on a sheet of A4, a bag each: name, paste, exchanges. Size of one, mm:"
					files={LABEL_SIZES.map(({ id, widthMm, heightMm, columns, rows }) => ({
						href: `${files}/labels.pdf?size=${id}`,
						words: `${widthMm} × ${heightMm}, ${columns * rows} a sheet`,
					}))}
				/>
				<FileItem
					heading="The calendar"
					words="sessions, when trays are ready, and by when things are made and ordered, for your own calendar; nobody’s name is in it"
					files={[{ href: `${base}/calendar.ics`, words: 'Calendar file' }]}
				/>
				<FileItem
					heading="The course itself"
					words="designs, choices and sessions in the exchange form, without anybody’s name"
					files={[{ href: `${files}/course.json`, words: 'JSON' }]}
				/>
			</ul>
		</KitNotices>
	)
}

function pdfOf(files: string, name: PaperName): FileLink {
	return { href: `${files}/${name}.pdf`, words: 'PDF', label: `${PAPER_WORDS[name]}, PDF` }
}

function PaperItem({ to, name, files }: { to: string; name: PaperName; files: readonly FileLink[] }) {
	return (
		<li className="sheet">
			<h2>
				<Link to={to}>{PAPER_WORDS[name]}</Link>
			</h2>
			<p className="soft">{FOR[name]}</p>
			<FileLinks files={files} />
		</li>
	)
}

function FileItem({ heading, words, files }: { heading: string; words: string; files: readonly FileLink[] }) {
	return (
		<li className="sheet">
			<h2>{heading}</h2>
			<p className="soft">{words}</p>
			<FileLinks files={files} />
		</li>
	)
}

function FileLinks({ files }: { files: readonly FileLink[] }) {
	return (
		<div className="row">
			{files.map(({ href, words, label }) => (
				<a key={href} className="option-link" href={href} aria-label={label}>
					{words}
				</a>
			))}
		</div>
	)
}
