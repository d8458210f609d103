/** A paper on the screen, as it will be printed. */
import { present } from '../../../../core/present'
import { TemplatePageDrawing } from '../../../design/components/template-page/template-page'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { FigureView } from '../../../shared/figure/figure-view'
import { PlainTable } from '../../../shared/native/plain-table'
import { heldTogether } from '../../papers/draw/hold-together'
import {
	cellText,
	type Paper,
	type PaperBlock,
	type PaperCard,
	type PaperStep,
	type PaperTable,
	type PaperZone,
} from '../../papers/paper'
import './paper-view.css'

export function PaperView({ paper }: { paper: Paper }) {
	const { title, subtitle, blocks, scale = 1 } = paper
	return (
		<article className={scale > 1 ? 'paper is-large' : 'paper'}>
			<header>
				<h1>{title}</h1>
				<p className="soft">{subtitle}</p>
			</header>
			{blocks.length === 0 && <p>Nothing stands on this paper.</p>}
			{heldTogether(blocks).map((block, b) => (
				<Block key={b} block={block} />
			))}
		</article>
	)
}

function Block({ block }: { block: PaperBlock }) {
	switch (block.type) {
		case 'heading':
			return <h2 className="paper-heading">{block.text}</h2>
		case 'words':
			return (
				<div>
					{block.lines.map((line) => (
						<p key={line}>{line}</p>
					))}
				</div>
			)
		case 'list':
			return <ListBlock heading={block.heading} items={block.items} />
		case 'table':
			return <PaperTableView table={block} />
		case 'zones':
			return <PlaceLayout zones={block.zones} />
		case 'figures':
			return <Figures block={block} />
		case 'steps':
			return <Steps steps={block.steps} hasBoxes={block.hasBoxes} />
		case 'notes':
			return <Notes heading={block.heading} lineCount={block.lineCount} />
		case 'cards':
			return <Cards cards={block.cards} />
		case 'templates':
			return (
				<ScrollRegion label={block.title} className="template-pages">
					{block.pages.map((page, p) => (
						<TemplatePageDrawing key={p} page={page} title={block.title} number={p + 1} count={block.pages.length} />
					))}
				</ScrollRegion>
			)
	}
}

function ListBlock({ heading, items }: { heading: string; items: readonly string[] }) {
	return (
		<section>
			<h2>{heading}</h2>
			<ul>
				{items.map((item) => (
					<li key={item}>{item}</li>
				))}
			</ul>
		</section>
	)
}

/** A few in a row, or one as wide as the paper; a picture with small words scrolls in its own frame. */
function Figures({ block: { figures, widest = 0.5 } }: { block: Extract<PaperBlock, { type: 'figures' }> }) {
	const drawings = figures.map(({ figure, caption }, f) => (
		<figure key={f} style={{ flexBasis: `${Math.min(100 * widest, 100)}%` }}>
			<FigureView figure={figure} />
			{caption && <figcaption>{caption}</figcaption>}
		</figure>
	))
	if (widest < 1) return <div className="paper-figures">{drawings}</div>
	return (
		<ScrollRegion label={figures[0]?.figure.label ?? 'Picture'} className="paper-figures is-wide">
			{drawings}
		</ScrollRegion>
	)
}

function Steps({ steps, hasBoxes }: { steps: readonly PaperStep[]; hasBoxes: boolean }) {
	return (
		<ol className="paper-steps">
			{steps.map(({ figure, mark, what, note, lines }, s) => (
				<li key={s}>
					{hasBoxes && <span className="tick-box" aria-hidden />}
					<span className="paper-mark">{mark}</span>
					<div>
						<strong>{what}</strong>
						{note && <p className="soft">{note}</p>}
						{lines.map((line) => (
							<p key={line}>{line}</p>
						))}
					</div>
					{figure && (
						<span className="paper-piece" aria-hidden>
							<FigureView figure={figure} size={52} />
						</span>
					)}
				</li>
			))}
		</ol>
	)
}

function Notes({ heading, lineCount }: { heading: string; lineCount: number }) {
	return (
		<section className="paper-notes" aria-label="Room to write on">
			<h2>{heading}</h2>
			{Array.from({ length: lineCount }, (_, l) => (
				<div key={l} />
			))}
		</section>
	)
}

function Cards({ cards }: { cards: readonly PaperCard[] }) {
	return (
		<ul className="paper-cards">
			{cards.map(({ figure, title, lines }, c) => (
				<li key={c}>
					<FigureView figure={figure} size={130} />
					<h2>{title}</h2>
					{lines.map((line) => (
						<p key={line}>{line}</p>
					))}
				</li>
			))}
		</ul>
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
			{heading && <h2>{heading}</h2>}
			<PlainTable
				label={heading || 'Table'}
				rows={rows.map((cells, r) => ({ r, cells }))}
				keyOf={({ r }) => r}
				columns={[
					...(hasBoxes
						? [
								{
									name: 'box',
									head: <span className="hidden-words">To tick</span>,
									cellClass: () => 'paper-box',
									cell: () => <span className="tick-box" aria-hidden />,
								},
							]
						: []),
					...columns.map(({ label, isNumber }, c) => ({
						name: label || `detail ${c}`,
						head: label || <span className="hidden-words">More</span>,
						isNumber: isNumber ?? false,
						cell: ({ cells }: { cells: PaperTable['rows'][number] }) => cellText(present(cells[c], 'a cell')),
					})),
				]}
			/>
		</section>
	)
}
