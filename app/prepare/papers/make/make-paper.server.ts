/** Any paper of a course by its name. */
import type { Paper, PaperName } from '../paper'
import { makeCoursePage } from './course-page.server'
import { makeHandOut } from './hand-out.server'
import { makeKitPaper } from './kit-papers.server'
import type { AskedPaper, PaperTerms } from './paper-terms'
import { makeCards } from './receiver-card.server'
import { makeRunSheet } from './run-sheet.server'

/** @throws {Error} no such session or seat */
export function makePaper(name: PaperName, terms: PaperTerms, { session, handOut }: AskedPaper): Paper {
	switch (name) {
		case 'run-sheet':
			return makeRunSheet(terms, session)
		case 'course':
			return makeCoursePage(terms)
		case 'hand-out':
			return makeHandOut(terms, handOut)
		case 'card':
			return makeCards(terms)
		default:
			return makeKitPaper(name, terms.studio, terms.current)
	}
}
