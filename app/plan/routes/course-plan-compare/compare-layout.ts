/** Benches of several plans above one another, session by session, on one clock. Pure. */
import type { PlanStory, Tile } from '../../../../core/plan/tell/plan-story'
import { measureWords } from '../../components/plan-bands/measure-words'

export const WIDTH = 1180
export const ROW_HEIGHT = 40
const LEFT = 190
const ROW_GAP = 6
const HEAD_HEIGHT = 30
const TOP = 20
const MARGIN_PX = 12

export interface ComparedTile {
	tile: Tile
	x: number
	width: number
	/** What has room, whole; '' where nothing has. */
	words: string
	/** It does not lie where the first of the plans has it. */
	isOther: boolean
}

export interface ComparedRow {
	/** Which of the plans. */
	plan: number
	y: number
	x: number
	width: number
	tiles: ComparedTile[]
	breaks: { x: number; width: number }[]
}

export interface CompareLayout {
	height: number
	ticks: { x: number; minute: number }[]
	sessions: { number: number; y: number; date: string; startMin: number; rows: ComparedRow[] }[]
}

/** @param stories - of the plans, one at least, each with a session */
export function layOutCompared(stories: readonly PlanStory[]): CompareLayout {
	const all = stories.flatMap(({ sessions }) => sessions.map(({ session }) => session))
	const from = Math.floor(Math.min(...all.map(({ startMin }) => startMin)) / 30) * 30
	const to = Math.ceil(Math.max(...all.map(({ endMin }) => endMin)) / 30) * 30
	const toX = (minute: number) => LEFT + ((minute - from) / Math.max(30, to - from)) * (WIDTH - LEFT - 24)
	const count = Math.max(...stories.map(({ sessions }) => sessions.length))
	let y = TOP
	const sessions = Array.from({ length: count }, (_, s) => {
		const head = y
		y += HEAD_HEIGHT
		const rows = stories.flatMap((story, plan): ComparedRow[] => {
			const own = story.sessions[s]
			if (!own) return []
			const row = layRow(own, plan, y, toX, placesOf(stories[0], s))
			y += ROW_HEIGHT + ROW_GAP
			return [row]
		})
		const { session } = stories.find((story) => story.sessions[s])?.sessions[s] ?? {}
		return { number: s + 1, y: head, date: session?.date ?? '', startMin: session?.startMin ?? 0, rows }
	})
	const step = to - from > 360 ? 60 : 30
	const ticks = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, t) => from + t * step)
	return { height: y + 4, ticks: ticks.map((minute) => ({ minute, x: toX(minute) })), sessions }
}

function layRow(
	{ session, tiles, breaks }: PlanStory['sessions'][number],
	plan: number,
	y: number,
	toX: (minute: number) => number,
	first: ReadonlySet<string>,
): ComparedRow {
	const x = toX(session.startMin)
	return {
		plan,
		y,
		x,
		width: toX(session.endMin) - x,
		tiles: tiles.map((tile) => {
			const left = toX(tile.startMin)
			const width = toX(tile.endMin) - left
			return { tile, x: left, width, words: wordsIn(tile, width), isOther: plan > 0 && !first.has(placeOf(tile)) }
		}),
		breaks: breaks.map(({ startMin, minutes }) => {
			return { x: toX(startMin), width: toX(startMin + minutes) - toX(startMin) }
		}),
	}
}

/** The whole name where it has room, else the label, else the minutes, else nothing: no word is cut. */
function wordsIn({ source, startMin, endMin }: Tile, width: number): string {
	const name = source.type === 'demo' ? `show ${source.label}` : `${source.partName}: ${source.label}`
	const ways = [name, source.type === 'demo' ? 'show' : source.label, `${endMin - startMin}`]
	return ways.find((words) => measureWords(words, { sizePx: 13 }) <= width - MARGIN_PX) ?? ''
}

function placesOf(story: PlanStory | undefined, session: number): ReadonlySet<string> {
	return new Set((story?.sessions[session]?.tiles ?? []).map(placeOf))
}

function placeOf({ taskId, run, startMin }: Tile): string {
	return `${taskId} ${run} ${startMin}`
}
