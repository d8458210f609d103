/** What an address asks of a paper: which session, whose hand-out, for which hand, how large, on which sheets. */
import { PAPERS, type PaperName as SheetSize } from '../../../core/outlines/template-sheet'
import type { AskedPaper } from '../papers/make/paper-terms'

interface Known {
	sessionCount: number
	/** In order; absent where nobody is named. */
	leftHanded: readonly boolean[]
}

/** What there is not is not asked for: it stays as usual. */
export function readAskedPaper(search: URLSearchParams, { sessionCount, leftHanded }: Known): AskedPaper {
	const session = numberFrom(search.get('session'), sessionCount)
	const seat = numberFrom(search.get('student'), leftHanded.length)
	const missed = numberFrom(search.get('missed'), sessionCount)
	const hand = search.get('hand') ?? (seat !== undefined && leftHanded[seat] ? 'left' : 'right')
	return {
		session: session ?? 0,
		handOut: {
			...(seat !== undefined && { seat }),
			...(missed !== undefined && { missed }),
			isLeftHanded: hand === 'left',
			isLarge: search.get('letters') === 'large',
			hasStudioName: search.get('studio') !== 'no',
		},
	}
}

/** @param usual - of the studio, unless the address says otherwise */
export function readSheetSize(search: URLSearchParams, usual: SheetSize): SheetSize {
	const asked = search.get('paper') ?? ''
	return asked in PAPERS ? (asked as SheetSize) : usual
}

/** From 1 in the address, from 0 inside. */
function numberFrom(asked: string | null, count: number): number | undefined {
	const number = Number(asked)
	return asked !== null && Number.isInteger(number) && number >= 1 && number <= count ? number - 1 : undefined
}
