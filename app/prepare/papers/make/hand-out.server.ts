/** What a student takes home: her flower, layer by layer, what it is made of, each step with its wait, and templates. */
import { cautionsOf } from '../../../../core/design/cautions'
import { listTemplates } from '../../../../core/design/design-templates'
import type { ResolvedDesign, ResolvedStep } from '../../../../core/design/resolve-design'
import { kindsOfStep, minutesOfStep, countOfStep } from '../../../../core/design/step-work'
import { listPackingLines } from '../../../../core/kit/packing-lines'
import { layTemplates, PAPERS } from '../../../../core/outlines/template-sheet'
import type { DesignInCourse } from '../../../../core/plan/compile/compile-course'
import { worksOfTask } from '../../../../core/plan/compile/compiled-course'
import { listHomework } from '../../../../core/prepare/home-work'
import { present } from '../../../../core/present'
import { flowerFigure, pieceFigure } from '../../../design/components/flower-picture/flower-figure'
import { seatName } from '../../../kit/words/kits'
import { nameOfTask } from '../../../plan/words/tasks'
import { mirrored, type Figure } from '../../../shared/figure/figure'
import { amountCell, lengthWords } from '../../../shared/words/amounts'
import { describeForm } from '../../../shared/words/terms'
import { count, duration, longDay, shortDay } from '../../../shared/words/times'
import { readyWords, waitWords } from '../../words/home-times'
import { cautionBlocks, type Paper, type PaperBlock, type PaperStep } from '../paper'
import { homeDrying } from './home-drying.server'
import type { HandOutTerms, PaperTerms } from './paper-terms'
import { wayBackBlocks } from './way-back'

/** Of letters: large enough for who reads without glasses. */
const LARGE = 1.5
/** A flower of many layers is shown in so many pictures at most. */
const MOST_LAYERS = 8

/** @throws {Error} no such seat, or no such session */
export function makeHandOut(terms: PaperTerms, asked: HandOutTerms): Paper {
	const { current, studio } = terms
	const { course, designs, kit } = current
	const seat = asked.seat === undefined ? undefined : present(kit.seats[asked.seat], 'the seat of a hand-out')
	const days = course.sessions.map(({ date }) => shortDay(date))
	const own = new HandOut(terms, asked)
	return {
		name: 'hand-out',
		title: listNames(designs.map(({ design }) => design.name)),
		subtitle: [
			...(seat ? [`For ${seatName(seat)}`] : []),
			course.name,
			days.length > 4 ? `${days[0] ?? ''} to ${days.at(-1) ?? ''}` : days.join(', '),
			...(asked.hasStudioName ? [studio.name] : []),
		].join(' · '),
		...(asked.isLarge && { scale: LARGE }),
		blocks: [
			...(asked.missed === undefined ? [] : wayBackBlocks(current, asked.missed)),
			...designs.flatMap((one) => own.pictures(one)),
			...own.materials(),
			...designs.flatMap((one) => own.steps(one)),
			...own.homework(),
			...KEEPING,
			// Nobody's exchanges but her own, and no reason for them: this lies about at home.
			...cautionBlocks(cautionsOf(...designs.map(({ design }) => design))),
			...designs.flatMap(({ design }) => own.templates(design)),
		],
	}
}

/** Common practice, no source. */
const KEEPING: PaperBlock[] = [
	{
		type: 'list',
		heading: 'To carry, to keep',
		items: [
			'Carry it in a box with a lid, on a padded ring or stuck into foam, so that no petal touches a wall.',
			'Keep it dry, in the dark, in a box that is not airtight, with a bag of drying beads in damp weather.',
			'A refrigerator, steam and a bathroom make it soft; the sun bleaches it.',
			'Dust it with a soft dry brush. It keeps for years; it is to be looked at.',
		],
	},
]

class HandOut {
	readonly #terms: PaperTerms
	readonly #asked: HandOutTerms

	constructor(terms: PaperTerms, asked: HandOutTerms) {
		this.#terms = terms
		this.#asked = asked
	}

	#seen(figure: Figure): Figure {
		return this.#asked.isLeftHanded ? mirrored(figure) : figure
	}

	pictures({ design, flowersPerStudent }: DesignInCourse): PaperBlock[] {
		const { layers, parts } = design
		const views = (['above', 'side'] as const).map((view) => ({
			figure: this.#seen(flowerFigure(design, { view, seed: 1 })),
			caption: view === 'above' ? 'From above' : 'From the side',
		}))
		const step = Math.ceil(layers.length / MOST_LAYERS)
		const shown = layers.flatMap((layer, l) => (l % step === step - 1 || l === layers.length - 1 ? [{ layer, l }] : []))
		return [
			// One flower alone has its name above all of it already.
			...(this.#terms.current.designs.length > 1 ? [{ type: 'heading' as const, text: design.name }] : []),
			{
				type: 'words',
				lines: [
					design.summary,
					`${lengthWords(design.finishedSizeMm, this.#terms.studio.units)} across${flowersPerStudent > 1 ? `; you make ${flowersPerStudent}` : ''}.`,
				],
			},
			{ type: 'figures', figures: views, widest: 0.44 },
			...(shown.length > 1
				? ([
						{ type: 'heading', text: `${design.name}, layer by layer` },
						{
							type: 'figures',
							widest: 0.23,
							figures: shown.map(({ layer, l }) => ({
								figure: this.#seen(flowerFigure(design, { seed: 1, layerCount: l + 1 })),
								caption: `${l + 1}: ${layer.pieceCount} × ${parts.find(({ id }) => id === layer.kinds[0])?.partName.toLowerCase() ?? 'piece'}`,
							})),
						},
					] satisfies PaperBlock[])
				: []),
		]
	}

	/** What is in her kit, and what it is made into. */
	materials(): PaperBlock[] {
		const { current, studio } = this.#terms
		const { kit, designs } = current
		const seat = this.#asked.seat === undefined ? usualSeat(kit.seats.length, kit.exchanges) : this.#asked.seat
		const lines = listPackingLines(kit).flatMap(({ group, amounts, unit, name, detail }) => {
			const amount = amounts[seat + 1] ?? 0
			return amount > 0 ? [{ group, cells: [amountCell(amount, unit, studio.units), name, detail] }] : []
		})
		const tools = lines.flatMap(({ group, cells }) => (group === 'tool' ? [String(cells[1])] : []))
		const shared = kit.tools.map(({ tool }) => tool).filter((tool) => !tools.includes(tool))
		return [
			{
				type: 'table',
				heading: 'In your kit',
				columns: [{ label: 'How much', isNumber: true }, { label: 'What' }, { label: '' }],
				rows: lines.filter(({ group }) => group !== 'tool').map(({ cells }) => cells),
			},
			{
				type: 'table',
				heading: 'Parts and their sizes',
				columns: [{ label: 'Of a flower', isNumber: true }, { label: 'Part' }, { label: 'Size' }],
				rows: designs.flatMap(({ design }) =>
					design.parts.map(({ piecesPerFlower, name, form }) => [
						{ text: String(piecesPerFlower), value: piecesPerFlower, format: '0' },
						name,
						describeForm(form),
					]),
				),
			},
			{ type: 'list', heading: 'Tools', items: [[...tools, ...shared].join('; ')].filter((line) => line !== '') },
		]
	}

	steps({ design, flowersPerStudent }: DesignInCourse): PaperBlock[] {
		return [
			{ type: 'heading', text: `${design.name}, step by step` },
			{
				type: 'steps',
				hasBoxes: false,
				steps: design.steps.map((step, s) => this.#step(design, step, { number: s + 1, flowers: flowersPerStudent })),
			},
		]
	}

	#step(
		design: ResolvedDesign,
		step: ResolvedStep,
		{ number, flowers }: { number: number; flowers: number },
	): PaperStep {
		const [kind] = kindsOfStep(design, step)
		const pieces = countOfStep(design, step, { flowers })
		const minutes = Math.max(1, Math.round(minutesOfStep(design, step, { flowers })))
		const { gaugeStandard } = this.#terms.studio
		const waits = design.steps.flatMap((later) =>
			later.needs.flatMap((need) =>
				need.after === step.id && need.wait
					? [`Then wait ${waitWords(need.wait.stage, homeDrying(design, need, gaugeStandard))}.`]
					: [],
			),
		)
		return {
			mark: String(number),
			what: `${kind?.partName ?? design.name}: ${step.label.toLowerCase()}`,
			note: `${duration(minutes)} for a practised hand · ${count(pieces, step.part === undefined && step.per !== 'piece' ? 'flower' : 'piece')}`,
			...(kind && { figure: this.#seen(pieceFigure(kind.form, kind.name, kind.tint)) }),
			lines: [
				step.sentence,
				...(step.tools.length > 0 ? [`With: ${step.tools.join('; ')}.`] : []),
				...(this.#asked.isLeftHanded && step.leftHanders ? [`Left-handed: ${step.leftHanders}`] : []),
				...new Set(waits),
			],
		}
	}

	/** What remains to be done, with when what was left to dry is ready. */
	homework(): PaperBlock[] {
		const { current, studio } = this.#terms
		const { coursePlan, story, course, designs } = current
		const homework = listHomework(coursePlan.compiled, story)
		if (homework.length === 0) return []
		const steps = homework.map(({ source, minutes, afterSession, waits }): PaperStep => {
			const next = course.sessions[afterSession + 1]
			const design =
				source.type === 'step' ? designs.find(({ design: one }) => one.id === source.designId)?.design : undefined
			const step = source.type === 'step' ? design?.steps.find(({ id }) => id === source.stepId) : undefined
			const lines = waits.flatMap(({ from, arc, leftAt }) => {
				const before = from.type === 'step' ? worksOfTask(from).filter(({ designId }) => designId === design?.id) : []
				const need = step?.needs.find(({ after }) => before.some(({ stepIds }) => stepIds.includes(after)))
				if (!design || !need) return []
				const name = nameOfTask(from)
				return [
					`${name.charAt(0).toUpperCase()}${name.slice(1)}: ${readyWords(arc.stage, leftAt, homeDrying(design, need, studio.gaugeStandard))}.`,
				]
			})
			return {
				mark: '',
				what: source.type === 'step' ? `${source.partName}: ${source.label.toLowerCase()}` : source.label,
				note: `${duration(minutes)} · ${next ? `before ${longDay(next.date)}` : 'when you like, after the course'}`,
				lines: [...lines, ...(source.type === 'step' ? [source.sentence] : [])],
			}
		})
		return [
			{ type: 'heading', text: 'To do at home' },
			{ type: 'steps', steps, hasBoxes: true },
		]
	}

	templates(design: ResolvedDesign): PaperBlock[] {
		const pages = layTemplates(listTemplates(design), PAPERS[this.#terms.size])
		return pages.length > 0 ? [{ type: 'templates', pages, title: `${design.name}, true to size` }] : []
	}
}

/** A kit without exchanges; all have some: the first. */
function usualSeat(seatCount: number, exchanges: readonly { seatNumber: number }[]): number {
	const seats = Array.from({ length: seatCount }, (_, s) => s)
	return seats.find((s) => !exchanges.some(({ seatNumber }) => seatNumber === s + 1)) ?? 0
}

/** 'Magnolia, hellebore and ivy'. */
function listNames(names: readonly string[]): string {
	const all = [...new Set(names)]
	return all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1) ?? ''}`
}
