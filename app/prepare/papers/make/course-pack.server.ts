/** All papers of a course, or of one of its sessions, in the order in which they are used. */
import { sessionName } from '../../../shared/words/times'
import { seatName } from '../../../kit/words/kits'
import { KIT_PAPERS, type Paper } from '../paper'
import { makeCoursePage } from './course-page.server'
import { makeHandOut } from './hand-out.server'
import { makeKitPaper } from './kit-papers.server'
import type { PaperTerms } from './paper-terms'
import { makeCards } from './receiver-card.server'
import { makeRunSheet } from './run-sheet.server'

export interface NamedPaper {
	/** Of its file, without an ending. */
	file: string
	paper: Paper
}

/** Everything: before class, of every session, of every student, and for who receives the flowers. */
export function makeWholePack(terms: PaperTerms): NamedPaper[] {
	const { story } = terms.current
	return [
		{ file: 'the-course', paper: makeCoursePage(terms) },
		...KIT_PAPERS.toReversed().map((name) => ({ file: name, paper: makeKitPaper(name, terms.studio, terms.current) })),
		...story.sessions.map(({ session, number }, s) => ({
			file: `run-sheet-${slug(sessionName(session.startMin, number))}`,
			paper: makeRunSheet(terms, s),
		})),
		...makeHandOuts(terms),
		{ file: 'cards', paper: makeCards(terms) },
	]
}

/** What lies on the table for one session: kits and hand-outs with the first, cards with the last. */
export function makeSessionPack(terms: PaperTerms, session: number): NamedPaper[] {
	const { studio, current } = terms
	const isFirst = session === 0
	const isLast = session === current.story.sessions.length - 1
	return [
		{ file: 'run-sheet', paper: makeRunSheet(terms, session) },
		{ file: 'station', paper: makeKitPaper('station', studio, current) },
		...(isFirst ? [{ file: 'packing', paper: makeKitPaper('packing', studio, current) }, ...makeHandOuts(terms)] : []),
		...(isLast ? [{ file: 'cards', paper: makeCards(terms) }] : []),
	]
}

/** Of every student, for her hand. */
function makeHandOuts(terms: PaperTerms): NamedPaper[] {
	return terms.current.kit.seats.map((seat, s) => ({
		file: `hand-out-${String(s + 1).padStart(2, '0')}-${slug(seatName(seat))}`,
		paper: makeHandOut(terms, {
			seat: s,
			isLeftHanded: seat.student?.isLeftHanded ?? false,
			isLarge: false,
			hasStudioName: true,
		}),
	}))
}

/** Letters and figures that every file system takes. */
function slug(words: string): string {
	const plain = words.normalize('NFD').replaceAll(/\p{Mark}/gu, '')
	return (
		plain
			.toLowerCase()
			.replaceAll(/[^a-z0-9]+/g, '-')
			.replaceAll(/^-|-$/g, '')
			.slice(0, 40) || 'paper'
	)
}
