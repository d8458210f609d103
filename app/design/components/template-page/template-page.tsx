import type { TemplatePage } from '../../../../core/outlines/template-sheet'
import { writePath } from '../../../../core/outlines/write-path'
import './template-page.css'

const BAR_MM = 100

/** One page of templates as a drawing in mm; `scale` corrects a screen that is not true to size. */
export function TemplatePageDrawing({
	page,
	title,
	number,
	count,
	scale = 1,
}: {
	page: TemplatePage
	title: string
	number: number
	count: number
	scale?: number
}) {
	const { paper, frame, templates } = page
	const clipId = `frame-${number}`
	return (
		<svg
			className="template-page"
			viewBox={`0 0 ${paper.widthMm} ${paper.heightMm}`}
			style={{ width: `${paper.widthMm * scale}mm` }}
			role="img"
			aria-label={`Page ${number} of ${count}: ${templates.map(({ name }) => name).join('; ')}`}
		>
			<clipPath id={clipId}>
				<rect x={frame.x} y={frame.y} width={frame.widthMm} height={frame.heightMm} />
			</clipPath>
			<g clipPath={`url(#${clipId})`}>
				{templates.map((template, t) => (
					<g key={t} transform={`translate(${template.x} ${template.y})`}>
						<path d={writePath(template.outline, 3)} fill="none" stroke="currentColor" strokeWidth={0.35} />
						{!template.tile && (
							<text y={4} textAnchor="middle" fontSize={3}>
								{template.name}
								<tspan x={0} dy={3.6}>
									{template.note}
								</tspan>
							</text>
						)}
					</g>
				))}
			</g>
			{templates.some(({ tile }) => tile) && (
				<rect
					x={frame.x}
					y={frame.y}
					width={frame.widthMm}
					height={frame.heightMm}
					fill="none"
					stroke="currentColor"
					strokeWidth={0.15}
					strokeDasharray="2 2"
				/>
			)}
			<g transform={`translate(${frame.x} ${paper.heightMm - 20})`} fontSize={3.2}>
				<ScaleBar />
				<text x={frame.widthMm} y={0} textAnchor="end">
					{title} · page {number} of {count}
				</text>
				{templates[0]?.tile && (
					<text x={frame.widthMm} y={5} textAnchor="end">
						{templates[0].name}: tile {templates[0].tile.column} of {templates[0].tile.columns} across,{' '}
						{templates[0].tile.row} of {templates[0].tile.rows} down; overlap 10 mm
					</text>
				)}
			</g>
		</svg>
	)
}

/** Measured with a ruler, it tells whether the printer kept the size. */
function ScaleBar() {
	const ticks = Array.from({ length: BAR_MM / 10 + 1 }, (_, k) => `M${k * 10} 0v${k % 5 === 0 ? -3 : -2}`).join('')
	return (
		<>
			<path d={`M0 0H${BAR_MM}${ticks}`} fill="none" stroke="currentColor" strokeWidth={0.3} />
			<text y={5}>This bar is 10 cm long. If it is not, print without fitting to the page.</text>
		</>
	)
}
