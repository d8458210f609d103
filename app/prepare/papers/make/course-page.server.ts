/** A whole course on one sheet: benches and threads, sessions, what comes from home, what to bring. */
import { present } from '../../../../core/present'
import type { TaskSource } from '../../../../core/plan/compile/compiled-course'
import { sourcesOf } from '../../../../core/plan/tell/plan-story'
import { layOutBands } from '../../../plan/components/plan-bands/band-layout'
import { nameOfTask } from '../../../plan/words/tasks'
import { clock, count, duration, longDay, sessionName, shortDay } from '../../../shared/words/times'
import { PAPER_WORDS, type Paper, type PaperBlock } from '../paper'
import { bandsFigure } from './bands-figure'
import type { PaperTerms } from './paper-terms'

export function makeCoursePage({ current }: PaperTerms): Paper {
	const { story, course, designs, roomName } = current
	const first = present(course.sessions[0], 'the first session')
	const list = (heading: string, items: string[]): PaperBlock[] =>
		items.length > 0 ? [{ type: 'list', heading, items }] : []
	const sources = sourcesOf(story)
	const layout = layOutBands(story)
	const largest = Math.max(...designs.map(({ design }) => design.finishedSizeMm))
	return {
		name: 'course',
		title: course.name,
		subtitle: `${PAPER_WORDS.course} · ${designs.map(({ design }) => design.name).join(', ')} · ${count(course.studentCount, 'student')} · from ${longDay(first.date)}`,
		// Many sessions stand better on a high sheet.
		isLandscape: layout.height < layout.width,
		isOnePage: true,
		blocks: [
			{ type: 'figures', figures: [{ figure: bandsFigure(layout, false), caption: '' }], widest: 1 },
			{
				type: 'table',
				heading: '',
				columns: [{ label: 'When' }, { label: 'Room' }, { label: 'What is done' }],
				rows: story.sessions.map(({ session, number, tiles }) => [
					`${sessionName(session.startMin, number)}, ${shortDay(session.date)}, ${clock(session.startMin)}–${clock(session.endMin)}`,
					roomName(session.roomId),
					[...new Set(tiles.map(({ source }) => workOf(source)))].join(', ') || '–',
				]),
			},
			...list(
				'From home',
				story.home.map(
					({ source, minutes, afterSession = 0 }) =>
						`${nameOfTask(source)}, ${duration(minutes)}, ${afterSession === story.sessions.length - 1 ? 'after the course' : `before ${shortDay(present(course.sessions[afterSession + 1], 'the next session').date)}`}`,
				),
			),
			...list('Made before, by the instructor', [
				...story.swaps.map(({ fromTaskId }) => `${nameOfTask(sources.get(fromTaskId))}, brought dry`),
				...story.ahead.map(({ source }) => nameOfTask(source)),
			]),
			{
				type: 'list',
				heading: 'Everybody brings',
				items: [
					`An apron, and a box with a lid, ${Math.ceil((largest + 60) / 10)} cm or more across, to carry the flower home dry.`,
				],
			},
		],
	}
}

/** 'petals' of a step, 'showing wiring' of what is shown. */
function workOf(source: TaskSource): string {
	return source.type === 'demo' ? `showing ${source.label.toLowerCase()}` : source.partName.toLowerCase()
}
