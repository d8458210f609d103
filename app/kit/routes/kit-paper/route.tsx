/** One paper as a page that is made for print. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { FilePdfOutlined, PrinterOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { Link } from 'react-router'
import { NotFoundError } from '../../../../core/errors'
import { present } from '../../../../core/present'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { requireKit } from '../../read-kit.server'
import { makePaper } from '../../papers/make-paper.server'
import { cellText, PAPER_NAMES, type PaperTable, type PaperZone } from '../../papers/paper'
import type { Route } from './+types/route'
import './kit-paper.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.paper.title ?? 'Paper'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const name = PAPER_NAMES.find((one) => one === params.paper)
		if (!name) throw new NotFoundError('There is no such paper.')
		const course = await courseOfPage(context, params)
		return { courseId: course.id, paper: makePaper(name, studio, await requireKit(studio, course)) }
	})
}

/** One paper, on the screen as it will be printed. */
export default function KitPaperPage({ loaderData: { courseId, paper } }: Route.ComponentProps) {
	return (
		<article className="paper">
			<div className="row no-print">
				<Button type="primary" icon={<PrinterOutlined aria-hidden />} onClick={() => window.print()}>
					Print
				</Button>
				<Button href={`/courses/${courseId}/files/${paper.name}.pdf`} icon={<FilePdfOutlined aria-hidden />}>
					PDF
				</Button>
				<Link to={`/courses/${courseId}/kits/papers`}>All papers</Link>
			</div>
			<header>
				<h1>{paper.title}</h1>
				<p className="soft">{paper.subtitle}</p>
			</header>
			{paper.zones.length > 0 && <PlaceLayout zones={paper.zones} />}
			{paper.tables.map((table) => (
				<PaperTableView key={table.heading} table={table} />
			))}
			{paper.tables.length === 0 && paper.zones.length === 0 && <p>Nothing stands on this paper.</p>}
			{paper.cautions.length > 0 && (
				<section className="paper-cautions">
					<h2>Take care</h2>
					<ul>
						{paper.cautions.map((caution) => (
							<li key={caution}>{caution}</li>
						))}
					</ul>
				</section>
			)}
		</article>
	)
}

function PlaceLayout({ zones }: { zones: readonly PaperZone[] }) {
	return (
		<div className="place-layout">
			{zones.map(({ title, items, x, y, width, height }) => (
				<section
					key={title}
					style={{
						left: `${100 * x}%`,
						top: `${100 * y}%`,
						width: `${100 * width}%`,
						height: `${100 * height}%`,
					}}
				>
					<div>
						<h2>{title}</h2>
						<ul>
							{items.map((item) => (
								<li key={item}>{item}</li>
							))}
						</ul>
					</div>
				</section>
			))}
		</div>
	)
}

function PaperTableView({ table: { heading, columns, rows, hasBoxes } }: { table: PaperTable }) {
	return (
		<section className="paper-table">
			<h2>{heading}</h2>
			<DataTable
				label={heading}
				rows={rows.map((cells, r) => ({ r, cells }))}
				keyOf={({ r }) => r}
				columns={[
					...(hasBoxes
						? [
								{
									name: 'box',
									head: <span className="hidden-words">To tick</span>,
									cellClass: () => 'paper-box',
									cell: () => <span aria-hidden />,
								},
							]
						: []),
					...columns.map(({ label, isNumber }, c) => ({
						name: label || 'detail',
						head: label || <span className="hidden-words">More</span>,
						isNumber: isNumber ?? false,
						cell: ({ cells }: { cells: PaperTable['rows'][number] }) => cellText(present(cells[c], 'a cell')),
					})),
				]}
			/>
		</section>
	)
}
