/** What can be chosen of a paper, and what its address says already. */
import type { Choice } from '../../../../core/design/design'
import type { Picks } from '../../../../core/design/resolve-design'
import type { PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
import { PAPER_OPTIONS } from '../../../shared/words/terms'
import type { AskedPaper } from '../../papers/make/paper-terms'
import type { PaperName } from '../../papers/paper'

interface Known {
	/** Names, in order. */
	sessions: readonly string[]
	students: readonly string[]
	asked: AskedPaper
	size: SheetSize
}

export function listPaperChoices(
	name: PaperName,
	{ sessions, students, asked, size }: Known,
): { choices: Choice[]; picks: Picks } {
	const numbered = (names: readonly string[]) => names.map((own, n) => ({ id: String(n + 1), name: own }))
	const none = (own: string) => ({ id: '0', name: own })
	const { handOut, session } = asked
	const paper: Choice = {
		id: 'paper',
		name: 'Sheets',
		options: PAPER_OPTIONS.map(({ value: id, label: own }) => ({ id, name: own })),
	}
	if (name === 'run-sheet') {
		return {
			choices: [{ id: 'session', name: 'Session', options: numbered(sessions) }, paper],
			picks: { session: String(session + 1), paper: size },
		}
	}
	if (name !== 'hand-out') return { choices: [paper], picks: { paper: size } }
	return {
		choices: [
			{ id: 'student', name: 'For', options: [none('Nobody by name'), ...numbered(students)] },
			{
				id: 'hand',
				name: 'Hand',
				options: [
					{ id: 'right', name: 'Right' },
					{ id: 'left', name: 'Left, pictures mirrored' },
				],
			},
			{
				id: 'letters',
				name: 'Letters',
				options: [
					{ id: 'usual', name: 'Usual' },
					{ id: 'large', name: 'Large' },
				],
			},
			{
				id: 'studio',
				name: 'Studio’s name',
				options: [
					{ id: 'yes', name: 'On it' },
					{ id: 'no', name: 'Left out' },
				],
			},
			{ id: 'missed', name: 'Missed', options: [none('None'), ...numbered(sessions)] },
			paper,
		],
		picks: {
			student: String((handOut.seat ?? -1) + 1),
			hand: handOut.isLeftHanded ? 'left' : 'right',
			letters: handOut.isLarge ? 'large' : 'usual',
			studio: handOut.hasStudioName ? 'yes' : 'no',
			missed: String((handOut.missed ?? -1) + 1),
			paper: size,
		},
	}
}
