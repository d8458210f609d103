/**
 * Hands on the picture: what lies on the benches is taken up and laid elsewhere, by mouse, finger or keys. While it is held
 * only the piece in hand is drawn anew.
 */
import {
	DndContext,
	KeyboardCode,
	KeyboardSensor,
	MouseSensor,
	TouchSensor,
	useSensor,
	useSensors,
	type Announcements,
	type DragEndEvent,
	type KeyboardCoordinateGetter,
} from '@dnd-kit/core'
import { createContext, use, useMemo, useState, type RefObject } from 'react'
import { clock } from '../../../../shared/words/times'
import { BAND_HEIGHT, LEFT, type BandLayout } from '../band-layout'
import { isOnShelf, placeAt, rowsOf, type BenchPlace } from './bench-geometry'
import { HeldCopy } from './held-copy'

/** What can be taken up, and what it is in the words that a reader of the screen hears. */
export type HeldItem = { words: string; x: number; y: number; minutes: number } & (
	{ kind: 'step'; taskId: string } | { kind: 'break'; band: number; startMin: number } | { kind: 'end'; band: number }
)

/** Told where something has been laid; sessions by their position in the picture. */
export type LayDown = (item: HeldItem, place: BenchPlace) => void

interface BenchHandsProps {
	layout: BandLayout
	/** Of the picture, for its size on the screen. */
	svg: RefObject<SVGSVGElement | null>
	onLay: LayDown
	/** 'evening 2, Thu 12 March'. */
	nameOfBand: (band: number) => string
	children: React.ReactNode
}

/**
 * How large the picture is on the screen. Measured when something is taken up: asking at every move would lay the page out
 * anew each time.
 */
class PictureScale {
	/** Px of the picture for each px of the screen. */
	factor = 1

	measure(svg: SVGSVGElement | null, width: number): void {
		this.factor = width / (svg?.getBoundingClientRect().width ?? width)
	}
}

/** What pieces in hand need to know of the picture. */
interface Bench {
	layout: BandLayout
	picture: PictureScale
	nameOfBand: (band: number) => string
}

const BenchContext = createContext<Bench | undefined>(undefined)

/** Undefined: nothing can be taken up here. */
export function useBench(): Bench | undefined {
	return use(BenchContext)
}

/** A piece is taken up once the pointer has moved so far, so that a click still opens its card; px. */
const TAKE_UP_PX = 5
/** On a touch screen it is held so long first, so that a finger can scroll; ms. */
const HOLD_MS = 180
const KEY_MINUTES = 5
const FINE_MINUTES = 1

export function BenchHands({ layout, svg, onLay, nameOfBand, children }: BenchHandsProps) {
	const [picture] = useState(() => new PictureScale())
	const bench = useMemo((): Bench => ({ layout, picture, nameOfBand }), [layout, picture, nameOfBand])
	const sensors = useSensors(
		useSensor(MouseSensor, { activationConstraint: { distance: TAKE_UP_PX } }),
		useSensor(TouchSensor, { activationConstraint: { delay: HOLD_MS, tolerance: 8 } }),
		useSensor(KeyboardSensor, {
			// Enter opens the card of a step.
			keyboardCodes: {
				start: [KeyboardCode.Space],
				cancel: [KeyboardCode.Esc],
				end: [KeyboardCode.Space, KeyboardCode.Enter],
			},
			coordinateGetter: keySteps(bench),
		}),
	)
	const lay = ({ active, delta }: DragEndEvent) => {
		leaveClickAlone()
		const item = active.data.current as HeldItem | undefined
		if (!item || (delta.x === 0 && delta.y === 0)) return
		onLay(item, placeOf(item, delta, bench))
	}
	return (
		<BenchContext value={bench}>
			<DndContext
				sensors={sensors}
				onDragStart={() => picture.measure(svg.current, layout.width)}
				onDragEnd={lay}
				onDragCancel={leaveClickAlone}
				autoScroll={{ threshold: { x: 0.05, y: 0.12 } }}
				accessibility={{
					announcements: announce(bench),
					screenReaderInstructions: {
						draggable:
							'Press Space to take it up; the arrow keys move it by five minutes, with Shift by one, or to another session; Space lays it down, Escape leaves it where it was.',
					},
				}}
			>
				{children}
				<HeldCopy />
			</DndContext>
		</BenchContext>
	)
}

/**
 * The press that laid something down is no press on the link that it is: it would load the page anew. However late its click
 * comes on a busy page, it comes before the next press.
 */
function leaveClickAlone(): void {
	const press = new AbortController()
	const end = () => press.abort()
	const terms = { capture: true, signal: press.signal }
	const leave = (event: MouseEvent) => {
		event.preventDefault()
		end()
	}
	window.addEventListener('click', leave, terms)
	window.addEventListener('pointerdown', end, terms)
	window.addEventListener('keydown', end, terms)
}

/** Where it would lie after it has been moved by so much on the screen. */
export function placeOf(
	item: HeldItem,
	delta: { x: number; y: number },
	{ layout, picture: { factor } }: Bench,
): BenchPlace {
	const at = { x: item.x + delta.x * factor, y: item.y + delta.y * factor }
	if (item.kind === 'step') return isOnShelf(layout, at.y) ? { isBefore: true } : placeAt(layout, at, item)
	// Tea and the end of a session stay in their session.
	const { fromMinute } = layout.clock
	const band = layout.bands[item.band]
	const place = placeAt(layout, { x: at.x, y: (band?.y ?? at.y) + BAND_HEIGHT / 2 }, item)
	if (item.kind === 'break') return place
	const minute = fromMinute + (at.x - LEFT) / layout.clock.pxPerMinute
	const earliest = (band?.session.session.startMin ?? 0) + KEY_MINUTES
	return { band: item.band, minuteOfDay: Math.max(earliest, Math.round(minute / KEY_MINUTES) * KEY_MINUTES) }
}

/** Arrow keys along the clock, and from bench to bench. */
function keySteps({ layout, picture }: Bench): KeyboardCoordinateGetter {
	return (event, { currentCoordinates, context }) => {
		const { x, y } = currentCoordinates
		const item = context.active?.data.current as HeldItem | undefined
		const along = ((event.shiftKey ? FINE_MINUTES : KEY_MINUTES) * layout.clock.pxPerMinute) / picture.factor
		switch (event.code) {
			case 'ArrowRight':
				return { x: x + along, y }
			case 'ArrowLeft':
				return { x: x - along, y }
			case 'ArrowDown':
			case 'ArrowUp': {
				event.preventDefault()
				if (item?.kind !== 'step') return currentCoordinates
				const moved = y - (context.active?.rect.current.initial?.top ?? y)
				const at = item.y + moved * picture.factor
				const rows = rowsOf(layout)
				const here = rows.indexOf(nearestTo(rows, at))
				const next = rows[here + (event.code === 'ArrowDown' ? 1 : -1)]
				return next === undefined ? currentCoordinates : { x, y: y + (next - at) / picture.factor }
			}
			default:
				return undefined
		}
	}
}

/** '19:25, evening 2, Thu 12 March'. */
export function placeWords(place: BenchPlace, { nameOfBand }: Pick<Bench, 'nameOfBand'>): string {
	return place.isBefore ? 'made before the course' : `${clock(place.minuteOfDay)}, ${nameOfBand(place.band)}`
}

function nearestTo(rows: readonly number[], at: number): number {
	return rows.toSorted((a, b) => Math.abs(a - at) - Math.abs(b - at))[0] ?? at
}

function announce(bench: Bench): Announcements {
	const itemOf = (data: Record<string, unknown> | undefined) => data as HeldItem | undefined
	return {
		onDragStart: ({ active }) => `${itemOf(active.data.current)?.words ?? ''} taken up.`,
		onDragMove: ({ active }) => {
			const item = itemOf(active.data.current)
			const { initial, translated } = active.rect.current
			if (!item || !initial || !translated) return undefined
			const delta = { x: translated.left - initial.left, y: translated.top - initial.top }
			return placeWords(placeOf(item, delta, bench), bench)
		},
		onDragOver: () => undefined,
		onDragEnd: ({ active }) => `${itemOf(active.data.current)?.words ?? ''} laid down.`,
		onDragCancel: ({ active }) => `${itemOf(active.data.current)?.words ?? ''} stays where it was.`,
	}
}
