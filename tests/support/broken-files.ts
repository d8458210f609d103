/** Files of every kind that is taken in, broken by chance: each must be taken or refused in words, and at once. */
import { InputError } from '../../core/errors'
import type { Rng } from '../../core/random'
import { readCourseDocument } from '../../exchange/course/course-document'
import { peopleCsv, readPeopleCsv } from '../../exchange/course/people-csv'
import { readDesignFile, toBook } from '../../exchange/design/design-book'
import { outlinesSvg, readOutlinesSvg } from '../../exchange/design/outline-svg'
import { readDryingRequest } from '../../exchange/drying/drying-request'
import { readStockCsv, stockCsv } from '../../exchange/kit/stock-csv'
import { logCsv, readLogCsv } from '../../exchange/learning/log-csv'
import { readLog } from '../../exchange/learning/log-document'
import { stripJpeg } from '../../exchange/photo/strip-jpeg'
import { readInstance, readPlan } from '../../exchange/read-document'
import { readStudioArchive, writeStudioArchive } from '../../exchange/studio/studio-archive'
import exampleCourse from '../../demo/exchange/course.json'
import exampleDrying from '../../demo/exchange/drying.json'
import { demoDesign } from './demo-designs'
import { makeStudent, packDemo } from './demo-kit'
import { makeLearningStudio } from './learning-studio'
import { makeJpeg } from './make-jpeg'

export interface FileKind {
	name: string
	whole: Uint8Array
	read: (file: Uint8Array) => unknown
}

export async function listFileKinds(): Promise<FileKind[]> {
	const { compiled, plan, designs } = packDemo('Calla lily taster')
	const { observations } = makeLearningStudio(1, 3)
	const people = [makeStudent({ name: 'Wren', avoids: ['egg'] }), makeStudent({ name: 'Tove', notes: 'a, b; "c"' })]
	const shelf = { kind: 'paste' as const, name: 'gum paste', unit: 'mg' as const, onHand: 180_500 }
	const seen = observations.slice(0, 20).map((observation) => {
		return { kind: 'minutes' as const, className: 'Thursdays', stepName: 'petals: cut', observation }
	})
	const minutes = observations.slice(0, 20).map(({ classId, studentCount, doneCount, id: _, from, to: __, ...own }) => {
		return { class: classId, students: studentCount, done: doneCount, real: from, ...own }
	})
	const archive = await writeStudioArchive(
		{
			settings: { name: 'A room' },
			tables: { designs: [{ name: 'Magnolia' }, { name: 'Calla' }] },
			pictures: new Map([['designPhotos-1', makeJpeg(24, 16)]]),
		},
		{},
	)
	return [
		ofText(
			'a book of designs',
			JSON.stringify(toBook([demoDesign('magnolia'), demoDesign('calla-lily')])),
			readDesignFile,
		),
		ofDocument('a course', exampleCourse, readCourseDocument),
		ofText('people', peopleCsv(people), readPeopleCsv),
		ofText('a shelf', stockCsv({ items: [shelf], suppliers: [], offers: [] }), readStockCsv),
		ofText('a log as CSV', logCsv(seen), readLogCsv),
		ofDocument('a log', { format: 'calycine-log', minutes }, readLog),
		ofText('outlines', outlinesSvg(designs[0]!.design), readOutlinesSvg),
		ofDocument('a question about drying', exampleDrying, readDryingRequest),
		ofDocument('a planning problem', compiled.instance, readInstance),
		ofDocument('a plan', plan, readPlan),
		{ name: 'a photo', whole: makeJpeg(48, 32), read: stripJpeg },
		{ name: 'a copy of a studio', whole: archive, read: readStudioArchive },
	]
}

function ofText(name: string, text: string, read: (text: string) => unknown): FileKind {
	const decoder = new TextDecoder()
	return { name, whole: new TextEncoder().encode(text), read: (file) => read(decoder.decode(file)) }
}

/** What is no JSON is refused before, where the file comes in. */
function ofDocument(name: string, document: unknown, read: (document: unknown) => unknown): FileKind {
	return ofText(name, JSON.stringify(document), (text) => {
		try {
			return read(JSON.parse(text))
		} catch (error) {
			if (error instanceof SyntaxError) throw new InputError([{ path: '', message: 'no JSON' }], { cause: error })
			throw error
		}
	})
}

/** Pieces that readers stumble over. */
const ODD = [
	'0',
	'-1',
	'1e999',
	'null',
	'[]',
	'{}',
	'""',
	'\\u0000',
	'__proto__',
	'<',
	'&',
	';',
	'\n',
	'\uFEFF',
	'=1+1',
	'é',
]

/** With one to four changes: bytes turned, cut out, doubled, something odd put in, an end cut off, numbers exchanged. */
export function breakFile(whole: Uint8Array, rng: Rng): Uint8Array {
	let file = [...whole]
	const at = () => Math.floor(rng() * file.length)
	const odd = () => [...new TextEncoder().encode(ODD[Math.floor(rng() * ODD.length)])]
	for (let change = 0; change <= 3 * rng(); change++) {
		const [place, length] = [at(), 1 + Math.floor(rng() * 40)]
		switch (Math.floor(rng() * 6)) {
			case 0:
				file[place] = Math.floor(rng() * 256)
				break
			case 1:
				file.splice(place, length)
				break
			case 2:
				file.splice(at(), 0, ...file.slice(place, place + length))
				break
			case 3:
				file.splice(place, 0, ...odd())
				break
			case 4:
				if (rng() < 0.3) file = file.slice(0, place)
				break
			default: {
				// A number, where the file has one from here on.
				const digit = file.findIndex((byte, k) => k >= place && byte >= 48 && byte <= 57)
				if (digit >= 0) file.splice(digit, 1, ...odd())
			}
		}
	}
	return Uint8Array.from(file)
}

/** @returns undefined: taken, or refused in words; else what the program fell over */
export function fallOver({ read }: FileKind, file: Uint8Array): unknown {
	try {
		read(file)
		return undefined
	} catch (error) {
		return error instanceof InputError ? undefined : (error ?? new Error('nothing'))
	}
}
