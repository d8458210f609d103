/** One paper as a page that is made for print. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Link } from 'react-router'
import { NotFoundError } from '../../../../core/errors'
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
		return { courseId: course.id, paper: await makePaper(name, studio, await requireKit(studio, course)) }
	})
}

export default function KitPaperPage({ loaderData: { courseId, paper } }: Route.ComponentProps) {
	return (
		<article className="paper">
			<div className="row no-print">
				<button type="button" className="button-link primary" onClick={() => window.print()}>
					Print
				</button>
				<a className="button-link" href={`/courses/${courseId}/files/${paper.name}.pdf`}>
					PDF
				</a>
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
			<div className="scroll-x" tabIndex={0} role="region" aria-label={heading}>
				<table>
					<thead>
						<tr>
							{hasBoxes && <td aria-hidden="true" />}
							{columns.map(({ label, isNumber }) =>
								label === '' ? (
									<td key="detail" />
								) : (
									<th key={label} className={isNumber ? 'number' : ''}>
										{label}
									</th>
								),
							)}
						</tr>
					</thead>
					<tbody>
						{rows.map((row, r) => (
							<tr key={r}>
								{hasBoxes && (
									<td className="paper-box" aria-hidden="true">
										<span />
									</td>
								)}
								{row.map((cell, c) => (
									<td key={c} className={columns[c]?.isNumber ? 'number' : ''}>
										{cellText(cell)}
									</td>
								))}
							</tr>
						))}
					</tbody>
				</table>
			</div>
		</section>
	)
}
