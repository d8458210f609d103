import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { listTemplates } from '../../../../core/design/design-templates'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { layTemplates, PAPERS } from '../../../../core/outlines/template-sheet'
import { getDesign } from '../../../../db/repositories/designs.server'
import { ChoiceLinks } from '../../components/choice-links/choice-links'
import { TemplatePageDrawing } from '../../components/template-page/template-page'
import { NumberField } from '../../../shared/components/fields/number-field'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { PAPER_OPTIONS } from '../../../shared/words/terms'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readPaper, readPicks } from '../../schemas/design-address'
import type { Route } from './+types/route'
import './design-sheets.css'
import { FileLink } from '../../../shared/components/file-link'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `Templates of ${loaderData?.name ?? 'a design'} · Calycine` }]
}

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { document } = await getDesign(studio.id, params.slug)
		const { searchParams } = new URL(request.url)
		const design = resolveDesign(document, readPicks(document, searchParams))
		const paper = readPaper(searchParams, studio.paper)
		const pages = layTemplates(listTemplates(design), PAPERS[paper])
		return { slug: params.slug, name: design.name, picks: design.picks, choices: document.choices, paper, pages }
	})
}

const BAR_MM = 100

/** Outlines true to size, page by page, as they are printed. */
export default function DesignSheets({
	loaderData: { slug, name, picks, choices, paper, pages },
}: Route.ComponentProps) {
	const [measuredMm, setMeasured] = useState(BAR_MM)
	const query = new URLSearchParams({ ...picks, paper })
	return (
		<>
			<div className="page-head no-print">
				<h1>Templates</h1>
				<p className="soft">
					<Link to={`/designs/${slug}`}>{name}</Link>, true to size
				</p>
				<div className="row push">
					<FileLink type="primary" href={`/designs/${slug}/sheets.pdf?${query}`} download>
						PDF
					</FileLink>
					<Button onClick={() => window.print()}>Print</Button>
				</div>
			</div>
			<div className="sheets-terms no-print">
				<ChoiceLinks
					choices={[
						{
							id: 'paper',
							name: 'Paper',
							options: PAPER_OPTIONS.map(({ value: id, label }) => ({ id, name: label })),
						},
						...choices,
					]}
					picks={{ paper, ...picks }}
				/>
				<NumberField
					label="On this screen, with a ruler, the bar measures"
					unit="mm"
					value={measuredMm}
					min={40}
					max={250}
					onChange={setMeasured}
				/>
			</div>
			{pages.length === 0 ? (
				<section className="sheet empty">
					<h2>Nothing is cut</h2>
					<p className="soft">No part of this design has an outline to cut by.</p>
				</section>
			) : (
				<ScrollRegion label="Templates, page by page" className="template-pages">
					{pages.map((page, p) => (
						<TemplatePageDrawing
							key={p}
							page={page}
							title={name}
							number={p + 1}
							count={pages.length}
							scale={BAR_MM / measuredMm}
						/>
					))}
				</ScrollRegion>
			)}
		</>
	)
}
