/**
 * Photos as they are kept: a JPEG with the picture and nothing beside it: no place, no camera, no small copy of what was
 * cut away, no comment, nothing after its end. Markers as in ITU-T T.81, annex B.
 */
import { InputError } from '../../core/errors'

export interface StrippedPhoto {
	bytes: Uint8Array<ArrayBuffer>
	widthPx: number
	heightPx: number
}

/** Larger than a wall screen shows; the browser makes photos smaller before it sends them. */
export const MAX_PHOTO_PX = 2000

const [SOI, EOI, SOS, COM] = [0xd8, 0xd9, 0xda, 0xfe]
const [APP0, APP14, APP15] = [0xe0, 0xee, 0xef]
/** Markers in C0 to CF that begin no frame. */
const NO_FRAMES: ReadonlySet<number> = new Set([0xc4, 0xc8, 0xcc])
const JFIF = [0x4a, 0x46, 0x49, 0x46, 0]

/**
 * The pixels stay as they are, bit by bit.
 *
 * @param file - whatever somebody sent
 * @throws {InputError} it is no whole JPEG, or larger than `MAX_PHOTO_PX` on a side
 */
export function stripJpeg(file: Uint8Array): StrippedPhoto {
	const at = (index: number) => file[index] ?? refuse()
	const word = (index: number) => (at(index) << 8) | at(index + 1)
	const kept: Uint8Array[] = [Uint8Array.of(0xff, SOI)]
	let [widthPx, heightPx] = [0, 0]
	if (at(0) !== 0xff || at(1) !== SOI) refuse()
	let next = 2
	for (;;) {
		if (at(next) !== 0xff) refuse()
		const marker = at(next + 1)
		// Any number of fill bytes may stand before a marker.
		if (marker === 0xff) {
			next++
			continue
		}
		if (marker === EOI) break
		const end = next + 2 + word(next + 2)
		if (end > file.length || end < next + 4) refuse()
		if (marker >= 0xc0 && marker <= 0xcf && !NO_FRAMES.has(marker)) {
			heightPx = word(next + 5)
			widthPx = word(next + 7)
		}
		const dataEnd = marker === SOS ? endOfScan(file, end) : end
		if (isPicture(file, next, marker)) kept.push(file.subarray(next, dataEnd))
		next = dataEnd
	}
	if (widthPx === 0 || heightPx === 0 || kept.length < 3) refuse()
	if (Math.max(widthPx, heightPx) > MAX_PHOTO_PX)
		throw new InputError([{ path: 'photo', message: `At most ${MAX_PHOTO_PX} pixels wide and high` }])
	kept.push(Uint8Array.of(0xff, EOI))
	return { bytes: join(kept), widthPx, heightPx }
}

/** Whether a segment is needed to draw the picture: everything but what applications add, and comments. */
function isPicture(file: Uint8Array, start: number, marker: number): boolean {
	if (marker === COM) return false
	if (marker === APP0) return JFIF.every((byte, b) => file[start + 4 + b] === byte)
	// Says how the colours are meant.
	if (marker === APP14) return true
	return marker < APP0 || marker > APP15
}

/** After the coded data of a scan: the first marker that is neither a stuffed zero nor a restart. */
function endOfScan(file: Uint8Array, start: number): number {
	for (let i = start; i + 1 < file.length; i++) {
		if (file[i] !== 0xff) continue
		const byte = file[i + 1] ?? 0
		const isData = byte === 0 || (byte >= 0xd0 && byte <= 0xd7) || byte === 0xff
		if (!isData) return i
	}
	return refuse()
}

function join(pieces: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
	const bytes = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0))
	let end = 0
	for (const piece of pieces) {
		bytes.set(piece, end)
		end += piece.length
	}
	return bytes
}

function refuse(): never {
	throw new InputError([{ path: 'photo', message: 'This is no whole JPEG picture' }])
}
