/** A session on paper for who teaches it: the bench, and minute by minute what to do, to have out, to hand over and to say. */
import { CAUTION_OF, cautionsOf, hazardsOfStep } from '../../../../core/design/cautions'
import type { ResolvedDesign, ResolvedStep } from '../../../../core/design/resolve-design'
import { isShared } from '../../../../core/kit/tool-needs'
import type { WireLine } from '../../../../core/kit/wire-bill'
import {
	worksOfTask,
	type StepSource,
	type TaskSource,
	type TaskWork,
} from '../../../../core/plan/compile/compiled-course'
import type { Tile } from '../../../../core/plan/tell/plan-story'
import { present } from '../../../../core/present'
import { pieceFigure } from '../../../design/components/flower-picture/flower-figure'
import { exchangeWords, seatName } from '../../../kit/words/kits'
import { layOutBands } from '../../../plan/components/plan-bands/band-layout'
import { aloneSession } from '../../../plan/components/plan-bands/chosen-session'
import { piecesWords, halvesWords, nameOfTask } from '../../../plan/words/tasks'
import { lengthWords } from '../../../shared/words/amounts'
import { clock, count, duration, longDay, sessionName, shortDay } from '../../../shared/words/times'
import { cautionBlocks, PAPER_WORDS, type Paper, type PaperBlock, type PaperStep, type PaperTable } from '../paper'
import { bandsFigure } from './bands-figure'
import type { PaperTerms, PlannedCourse } from './paper-terms'

/** Wide enough for words on tiles, narrow enough that they are read on paper. */
const FIGURE_WIDTH = 700
const NOTE_LINES = 6

/** @param index - of the session, from 0; one that there is */
export function makeRunSheet({ studio, current }: PaperTerms, index: number): Paper {
	const { story, course, roomName } = current
	const { session, number } = present(story.sessions[index], 'the session of a run sheet')
	const alone = aloneSession(story, index)
	const room = roomName(session.roomId)
	const layout = layOutBands(alone.story, { width: FIGURE_WIDTH, firstNumber: alone.firstNumber, hasShelf: false })
	const sheet = new RunSheet(current, studio.units, index)
	return {
		name: 'run-sheet',
		title: `${sessionName(session.startMin, number)}, ${longDay(session.date)}`,
		subtitle: `${PAPER_WORDS['run-sheet']} · ${course.name} · ${clock(session.startMin)} to ${clock(session.endMin)} · ${room} · ${count(course.studentCount, 'student')}`,
		blocks: [
			{ type: 'figures', figures: [{ figure: bandsFigure(layout, true), caption: '' }], widest: 1 },
			...sheet.haveOut(),
			{ type: 'heading', text: 'By the clock' },
			{ type: 'steps', steps: sheet.steps(), hasBoxes: true },
			...sheet.trays(),
			...sheet.people(),
			...cautionBlocks(cautionsOf(...sheet.designsOfSession())),
			{ type: 'notes', heading: 'Notes', lineCount: NOTE_LINES },
		],
	}
}

class RunSheet {
	readonly #current: PlannedCourse
	readonly #units: PaperTerms['studio']['units']
	readonly #index: number
	readonly #tiles: Tile[]
	/** Told once a session. */
	readonly #said = new Set<string>()

	constructor(current: PlannedCourse, units: PaperTerms['studio']['units'], index: number) {
		this.#current = current
		this.#units = units
		this.#index = index
		this.#tiles = present(current.story.sessions[index], 'the session').tiles
	}

	/** Designs with the steps of this session alone. */
	designsOfSession(): ResolvedDesign[] {
		const own = this.#tiles.flatMap(({ source }) => this.#stepsOf(source))
		return this.#current.designs.map(({ design }) => {
			const steps = design.steps.filter((step) => own.some((one) => one.step === step))
			const touched = new Set(steps.map(({ part }) => part))
			return { ...design, steps, parts: design.parts.filter(({ of }) => touched.has(of)) }
		})
	}

	haveOut(): PaperBlock[] {
		const { kit } = this.#current
		const steps = this.#tiles.flatMap(({ source }) => this.#stepsOf(source))
		const tools = new Set(steps.flatMap(({ step }) => step.tools))
		const shared = kit.tools.filter((line) => tools.has(line.tool) && isShared(line))
		const ownTools = [...tools].filter((tool) => !shared.some((line) => line.tool === tool))
		const materials = new Set(steps.flatMap(({ step }) => (step.materials ?? []).map(({ name }) => name)))
		const formers = new Set(
			steps.flatMap(({ design, step }) =>
				design.parts.flatMap(({ of, drying }) => (of === step.part && drying ? [drying.former] : [])),
			),
		)
		const lines = [
			ownTools.length > 0 ? `At every place: ${ownTools.join('; ')}.` : '',
			shared.length > 0 ? `Shared: ${shared.map(({ tool, ownedCount }) => `${ownedCount} × ${tool}`).join('; ')}.` : '',
			materials.size > 0 ? `On the table: ${[...materials].join('; ')}.` : '',
			formers.size > 0 ? `To dry on: ${[...formers].join('; ')}.` : '',
		].filter((line) => line !== '')
		return lines.length > 0 ? [{ type: 'list', heading: 'To have out', items: lines }] : []
	}

	/** Setting up, steps, demonstrations, tea and clearing away, by the clock. */
	steps(): PaperStep[] {
		const { session, breaks } = present(this.#current.story.sessions[this.#index], 'the session')
		const { startMin, endMin, setUpMinutes, clearAwayMinutes } = session
		const plain = (at: number, what: string, minutes: number) => ({
			at,
			step: { mark: clock(at), what, note: duration(minutes), lines: [] },
		})
		return [
			...(setUpMinutes > 0 ? [plain(startMin, 'Set up and welcome', setUpMinutes)] : []),
			...this.#tiles.map((tile) => ({ at: tile.startMin, step: this.#step(tile) })),
			...breaks.map((pause) => plain(pause.startMin, 'Tea', pause.minutes)),
			...(clearAwayMinutes > 0 ? [plain(endMin - clearAwayMinutes, 'Box and clear away', clearAwayMinutes)] : []),
		]
			.toSorted((a, b) => a.at - b.at)
			.map(({ step }) => step)
	}

	#step(tile: Tile): PaperStep {
		const { source, startMin, endMin, pieceCount, run, runCount } = tile
		const minutes = duration(endMin - startMin)
		const mark = clock(startMin)
		if (source.type === 'demo')
			return { mark, what: `Show: ${source.label.toLowerCase()}`, note: minutes, lines: ['Everybody watches.'] }
		const own = this.#stepsOf(source)
		const part = own.flatMap(({ design, step }) => design.parts.filter(({ of }) => of === step.part))[0]
		const tools = [...new Set(own.flatMap(({ step }) => step.tools))]
		const ofRuns = runCount > 1 ? `, part ${run} of ${runCount}` : ''
		return {
			mark,
			what: `${source.partName}: ${source.label.toLowerCase()}${ofRuns}`,
			note: `${minutes} · ${piecesWords(source, pieceCount)} each`,
			...(part && { figure: pieceFigure(part.form, part.name, part.tint) }),
			lines: [
				...(source.halves ? [halvesWords(source.halves, startMin)] : []),
				...(tools.length > 0 ? [`Out: ${tools.join('; ')}.`] : []),
				...this.#handOver(source),
				...this.#say(own),
				...this.#leftHanders(own),
			],
		}
	}

	/** What students are given where a part is first worked on. */
	#handOver(source: StepSource): string[] {
		const { story, kit } = this.#current
		const tiles = story.sessions.flatMap((one) => one.tiles)
		const parts = worksOfTask(source).flatMap(({ designId, partId }) => {
			const isIts = (work: TaskWork) => work.designId === designId && work.partId === partId
			const first = tiles.find(({ source: one }) => one.type === 'step' && worksOfTask(one).some(isIts))
			if (partId === undefined || first?.source !== source || first.run !== 1) return []
			const design = this.#current.designs.find(({ design: one }) => one.id === designId)?.design
			return design?.parts.filter(({ of }) => of === partId).map((part) => ({ ...part, designName: design.name })) ?? []
		})
		const pastes = parts.flatMap(({ paste, colour }) => (paste ? [`${colour} ${paste}`] : []))
		const isOf = (line: Pick<WireLine, 'designName' | 'partName'>) =>
			parts.some(({ name, designName }) => line.designName === designName && line.partName === name)
		const wires = kit.wires.flatMap(({ gauge, colour, lines }) =>
			lines
				.filter((line) => isOf(line) && line.shares.usual > 0)
				.map(
					({ lengthMm, shares }) =>
						`${shares.usual} × ${lengthWords(lengthMm, this.#units)} wire, ${gauge} gauge ${colour}`,
				),
		)
		const all = [...new Set([...pastes, ...wires])]
		return all.length > 0 ? [`Hand over: ${all.join('; ')}.`] : []
	}

	/** Each caution where its hazard first is. */
	#say(own: readonly StepOfDesign[]): string[] {
		return [...new Set(own.flatMap(({ step }) => hazardsOfStep(step)))].flatMap((hazard) => {
			if (this.#said.has(hazard)) return []
			this.#said.add(hazard)
			return [`Say: ${CAUTION_OF[hazard].text}`]
		})
	}

	#leftHanders(own: readonly StepOfDesign[]): string[] {
		if (!this.#current.kit.seats.some(({ student }) => student?.isLeftHanded)) return []
		return own.flatMap(({ step }) => (step.leftHanders ? [`Left-handers: ${step.leftHanders}`] : []))
	}

	/** What is left to dry, and what has dried since the last time. */
	trays(): PaperBlock[] {
		const { story } = this.#current
		const sourceAt = new Map(story.sessions.flatMap(({ tiles }) => tiles.map(({ taskId, source }) => [taskId, source])))
		const rows = story.threads
			.filter(({ from, to, isSwapped }) => !isSwapped && (from.session === this.#index || to.session === this.#index))
			.map((thread) => {
				const { from, to, stage, readyAt } = thread
				const at = ({ session, minute }: typeof from) =>
					`${session === this.#index ? '' : `${shortDay(present(story.sessions[session], 'a session').session.date)} `}${clock(minute)}`
				return [
					nameOfTask(sourceAt.get(thread.fromTaskId)),
					at(from),
					readyAt ? `${stage ?? 'ready'} ${shortDay(readyAt.date)} ${clock(readyAt.minuteOfDay)}` : 'never by itself',
					`${at(to)} for ${nameOfTask(sourceAt.get(thread.toTaskId))}`,
				]
			})
		if (rows.length === 0) return []
		const table: PaperTable = {
			heading: 'Trays',
			hasBoxes: true,
			columns: [{ label: 'What' }, { label: 'Laid out' }, { label: 'Dry, 9 in 10' }, { label: 'Wanted' }],
			rows,
		}
		return [{ type: 'table', ...table }]
	}

	/** For the instructor's eyes. */
	people(): PaperBlock[] {
		const { kit } = this.#current
		const rows = [
			...kit.seats.flatMap((seat) => (seat.student?.isLeftHanded ? [[seatName(seat), 'left-handed']] : [])),
			...kit.exchanges.map((exchange) => [
				seatName(kit.seats[exchange.seatNumber - 1] ?? { number: exchange.seatNumber }),
				exchangeWords(exchange),
			]),
		]
		if (rows.length === 0) return []
		return [
			{
				type: 'table',
				heading: 'Who needs what (for you alone)',
				columns: [{ label: 'Who' }, { label: 'What' }],
				rows,
			},
		]
	}

	#stepsOf(source: TaskSource): StepOfDesign[] {
		if (source.type !== 'step') return []
		return worksOfTask(source).flatMap(({ designId, stepIds }) => {
			const design = this.#current.designs.find(({ design: one }) => one.id === designId)?.design
			return (design?.steps ?? [])
				.filter(({ id }) => stepIds.includes(id))
				.map((step) => ({ design: present(design, 'its design'), step }))
		})
	}
}

interface StepOfDesign {
	design: ResolvedDesign
	step: ResolvedStep
}
