/**
 * A studio as one file: a zip of its rows, table by table, and its pictures, each with its SHA-256 in `studio.json`. Rows
 * are numbered from 1 on in each table and name one another by these numbers, so a copy belongs to no database.
 * What lies under `for-others/` is the same in the forms of its own exchange, for other programs, and is not read back.
 */
import { createHash } from 'node:crypto'
import { unzipSync } from 'fflate'
import { InputError } from '../../core/errors'
import { packZip } from '../zip'

export const STUDIO_FORMAT = 'calycine-studio'
export const STUDIO_FORMAT_VERSION = 1

/** By column; moments as ISO 8601, references as numbers of rows. */
export type Row = Record<string, unknown>

export interface StudioRows {
	/** What is set for the whole studio. */
	settings: Row
	/** By the name of their table. */
	tables: Record<string, Row[]>
	/** JPEG, by `pictureName`. */
	pictures: Map<string, Uint8Array>
}

interface Manifest {
	settings: Row
	/** SHA-256 in hex, by the path of the file. */
	files: Record<string, string>
}

/** Bytes of a copy as it is sent. */
export const LARGEST_COPY = 96 * 1024 * 1024
/** Bytes of all that is packed into it: a small file that says it is huge is refused unread. */
const LARGEST_UNPACKED = 320 * 1024 * 1024
/** Pictures of as many bytes as a copy may have are far fewer. */
const MOST_FILES = 20_000

const MANIFEST = 'studio.json'
const ROWS = /^rows\/([a-zA-Z]+)\.json$/
const PICTURE = /^pictures\/([a-zA-Z]+-\d+)\.jpg$/

const READ_ME = `A studio of Calycine, whole.

studio.json   what is set for the studio, and a checksum of each file that is read back
rows/         everything in it, table by table; rows name one another by their numbers
pictures/     photos of designs and of classes
for-others/   designs, courses, log, shelf and people in forms for other programs; not read back

Passwords, sign-ins, links and calendar addresses are not in it.
`

/** @param number - of the row, from 1 */
export function pictureName(table: string, number: number): string {
	return `${table}-${number}`
}

/** @param forOthers - texts by the path of their file */
export async function writeStudioArchive(
	{ settings, tables, pictures }: StudioRows,
	forOthers: Readonly<Record<string, string>>,
): Promise<Uint8Array<ArrayBuffer>> {
	const bytes = new TextEncoder()
	const own: Record<string, Uint8Array> = {}
	for (const [name, rows] of Object.entries(tables)) own[`rows/${name}.json`] = bytes.encode(rowsText(rows))
	for (const [name, picture] of pictures) own[`pictures/${name}.jpg`] = picture
	const files = Object.fromEntries(Object.entries(own).map(([path, file]) => [path, checksum(file)]))
	const manifest = { format: STUDIO_FORMAT, formatVersion: STUDIO_FORMAT_VERSION, settings, files }
	const others = Object.entries(forOthers).map(([path, text]) => [`for-others/${path}`, text] as const)
	const texts = { 'read-me.txt': READ_ME, [MANIFEST]: `${JSON.stringify(manifest, null, '\t')}\n` }
	return packZip({ ...texts, ...own, ...Object.fromEntries(others) }, (path) => PICTURE.test(path))
}

/** One row a line: two copies can be compared by eye. */
function rowsText(rows: readonly Row[]): string {
	return rows.length === 0 ? '[]\n' : `[\n${rows.map((row) => JSON.stringify(row)).join(',\n')}\n]\n`
}

/**
 * As it was written; what its rows say is not judged here.
 *
 * @throws {InputError} it is no whole copy, or was written by a newer version
 */
export function readStudioArchive(packed: Uint8Array): StudioRows {
	const files = unpack(packed)
	const { settings, files: sums } = readManifest(files[MANIFEST])
	const rows: StudioRows = { settings, tables: {}, pictures: new Map() }
	for (const [path, sum] of Object.entries(sums)) {
		const file = files[path]
		if (!file || checksum(file) !== sum) refuse(path, 'This part of the copy is not as it was written.')
		const table = ROWS.exec(path)?.[1]
		const picture = PICTURE.exec(path)?.[1]
		if (table !== undefined) rows.tables[table] = readRows(path, file)
		else if (picture !== undefined) rows.pictures.set(picture, file)
		else refuse(path, 'A copy has no such part.')
	}
	return rows
}

function unpack(packed: Uint8Array): Record<string, Uint8Array> {
	let total = 0
	let count = 0
	const counted = ({ name, originalSize }: { name: string; originalSize: number }) => {
		if (name !== MANIFEST && !ROWS.test(name) && !PICTURE.test(name)) return false
		total += originalSize
		if (total > LARGEST_UNPACKED || ++count > MOST_FILES) refuse('', 'There is more in this file than a studio holds.')
		return true
	}
	try {
		// Each file gets the room that it says it needs, and no more is ever unpacked into it.
		return unzipSync(packed, { filter: counted })
	} catch (error) {
		if (error instanceof InputError) throw error
		throw new InputError([{ path: '', message: 'This file is no zip, or not a whole one.' }], { cause: error })
	}
}

function readManifest(file: Uint8Array | undefined): Manifest {
	const manifest = file && parse(MANIFEST, file)
	if (!isRecord(manifest) || manifest['format'] !== STUDIO_FORMAT) refuse('', 'This is no copy of a studio.')
	const { formatVersion, settings, files } = manifest
	if (typeof formatVersion !== 'number' || formatVersion > STUDIO_FORMAT_VERSION)
		refuse(MANIFEST, `It was written by a newer Calycine (format ${String(formatVersion)}).`)
	if (!isRecord(settings) || !isRecord(files)) refuse(MANIFEST, 'Its settings or its list of files is missing.')
	return { settings, files: files as Record<string, string> }
}

function readRows(path: string, file: Uint8Array): Row[] {
	const rows = parse(path, file)
	if (!Array.isArray(rows) || !rows.every(isRecord)) refuse(path, 'This is no list of rows.')
	return rows
}

function parse(path: string, file: Uint8Array): unknown {
	try {
		// A key of this name would be a prototype, not a field.
		return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(file), (key: string, value: unknown) =>
			key === '__proto__' ? undefined : value,
		)
	} catch (error) {
		throw new InputError([{ path, message: 'This part of the copy cannot be read.' }], { cause: error })
	}
}

function checksum(file: Uint8Array): string {
	return createHash('sha256').update(file).digest('hex')
}

function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function refuse(path: string, message: string): never {
	throw new InputError([{ path, message }])
}
