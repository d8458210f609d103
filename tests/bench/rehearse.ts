/** Speed of the rehearsal of a large course: twelve students, forty steps of five pieces, a fifth of them with shared tools. */
import { Rehearsal } from '../../core/rehearse/rehearsal'
import { USUAL_TERMS, type Script, type WorkItem } from '../../core/rehearse/script'
import { report, tell, time } from './measure'

const STUDENTS = 12
const SESSIONS = 4
const STEPS_A_SESSION = 10
const MINUTES_A_STEP = 16
const WEEK = 7 * 1440
const CLASSES = 2000

const items = Array.from({ length: SESSIONS * STEPS_A_SESSION }, (_, i): WorkItem => {
	const session = Math.floor(i / STEPS_A_SESSION)
	const start = WEEK * session + MINUTES_A_STEP * (i % STEPS_A_SESSION)
	return {
		...{ kind: 'work', task: i, session, start, end: start + MINUTES_A_STEP, fixedMinutes: 2 },
		stretches: [
			{
				...{ pieceCount: 5, minutesEach: 2, kind: i % 8, breakage: 0.02, againMinutes: 4 },
				turns: i % 5 === 1 ? [{ tool: i % 2, share: 0.2 }] : [],
			},
		],
		technique: `technique ${i % 10}`,
		shows: i % STEPS_A_SESSION === 3 ? [session] : [],
		waits: i > 0 ? [{ from: i - 1, isPiecewise: i % 3 === 0, ...(i % STEPS_A_SESSION === 0 && { drying: 0 }) }] : [],
		...{ isFirst: true, mayGoHome: false },
	}
})
const script: Script = {
	levels: Array<number>(STUDENTS).fill(1.2),
	callMinutes: Array<number>(STUDENTS).fill(25),
	sessions: Array.from({ length: SESSIONS }, (_, s) => ({
		open: WEEK * s,
		close: WEEK * s + 210,
		pauses: [{ start: WEEK * s + 90, minutes: 15 }],
		homeMinutes: 0,
	})),
	shows: Array.from({ length: SESSIONS }, (_, s) => ({
		...{ session: s, start: WEEK * s + 3 * MINUTES_A_STEP, minutes: 8, itemsBefore: s * STEPS_A_SESSION + 3 },
	})),
	items,
	tasks: items.map((_, i) => ({ id: `step ${i}` })),
	kinds: Array.from({ length: 8 }, () => ({ needed: 4, made: 5 })),
	tools: [
		{ name: 'veiner', count: 4 },
		{ name: 'steamer', count: 3 },
	],
	extras: [],
	dryings: [
		{ kind: 'lognormal', id: 'petals', median: 900, sd: 0.3, paste: 'gum paste', airChance: 1, leastMinutes: 0 },
	],
}

console.log('\nRehearsal')
const memoryBefore = process.memoryUsage()
report(
	`  ${CLASSES} classes of ${STUDENTS} students, ${items.length} steps of 5 pieces`,
	tell(time(5, () => new Rehearsal(script, USUAL_TERMS).play(CLASSES))),
	'under 1 s',
)
report(
	'  first figures, of 100 classes',
	tell(
		time(9, () => {
			const rehearsal = new Rehearsal(script, USUAL_TERMS)
			rehearsal.play(100)
			return rehearsal.figures()
		}),
	),
	'100 ms',
)
const memory = process.memoryUsage()
const mb = (memory.heapUsed + memory.arrayBuffers - memoryBefore.heapUsed - memoryBefore.arrayBuffers) / 2 ** 20
report('  memory that they leave', `${mb.toFixed(0)} MB`, 'under 100 MB')
