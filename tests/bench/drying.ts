/** Speed of the drying model and its table, and the table's error against the solver. */
import { steadyPath } from '../../core/drying/climate'
import { createDryingTable } from '../../core/drying/drying-table'
import { forecast } from '../../core/drying/forecast'
import { mapHours, solvedHours } from '../../core/drying/humidity-map'
import { FIRST_BELIEF, learn } from '../../core/drying/pace-belief'
import { predictStages } from '../../core/drying/predict-stages'
import { findWhatHelps } from '../../core/drying/what-helps'
import { DRYING_STAGES } from '../../core/vocabulary/drying-stage'
import { createRng } from '../../core/random'
import { ball, piece, room, sheet } from '../support/dry-piece'
import { report, summarise, tell, time } from './measure'

const WARM_UP = 200
const LOOKUPS = 400_000

console.log('\nDrying')
const rng = createRng(5)
const between = (low: number, high: number) => low + rng() * (high - low)
const backs = ['free', 'ventilated', 'tissue', 'foam', 'board'] as const
const anyPiece = (i: number) => {
	if (i % 3 === 0) return sheet(between(0.3, 3), backs[Math.floor(rng() * 5)])
	return i % 3 === 1 ? ball(between(1, 15)) : piece({ type: 'cylinder', radiusMm: between(1, 8), wireRadiusMm: 0.4 })
}
const times: number[] = []
for (let i = 0; i < WARM_UP + 900; i++) {
	const [made, where] = [anyPiece(i), room(between(0.3, 0.65), between(15, 29))]
	const started = performance.now()
	predictStages(made, where)
	if (i >= WARM_UP) times.push(performance.now() - started)
}
report('  one prediction of all six stages', tell(summarise(times)), 'median under 2 ms')
report(
	'  a forecast with P50, P90 and the hygrometer guard',
	tell(time(100, () => forecast(sheet(0.8), room(), FIRST_BELIEF))),
)
report(
	'  a ladder of what helps',
	tell(time(30, () => findWhatHelps(sheet(0.8, 'foam'), room(0.6), 'firm', FIRST_BELIEF))),
	'under 100 ms',
)
report(
	'  a map of humidity and temperature, 99 rooms',
	tell(
		time(5, () => [...mapHours(solvedHours(sheet(0.8), 'still', 'firm', { belief: FIRST_BELIEF, confidence: 0.9 }))]),
	),
)
report(
	'  learning from 40 entries',
	tell(time(20, () => learn(Array.from({ length: 40 }, () => ({ modelHours: 3, notReadyHours: 2, readyHours: 4 }))))),
)

const table = createDryingTable((mm) => sheet(mm), 'still')
const fillStarted = performance.now()
const nodes = [...table.fill()].at(-1)?.total ?? 0
report(`  table of ${nodes} rooms and sizes`, `${(performance.now() - fillStarted).toFixed(0)} ms to fill`)
const questions = Array.from({ length: LOOKUPS }, () => {
	return { size: between(0.3, 4), air: { temperatureC: between(15, 30), humidity: between(0.25, 0.6) } }
})
const started = performance.now()
let sum = 0
for (const { size, air } of questions) sum += table.hours('firm', size, air) ?? 0
const perSecond = LOOKUPS / ((performance.now() - started) / 1000)
report('  look-ups in it', `${(perSecond / 1e6).toFixed(2)} million a second`, 'over 0.2')
const errors = questions.slice(0, 400).flatMap(({ size, air }) => {
	const solved = predictStages(sheet(size), steadyPath(air, 'still'))
	return DRYING_STAGES.map((stage) => Math.abs((table.hours(stage, size, air) ?? 0) / (solved[stage] ?? NaN) - 1))
})
const { median, p95, worst } = summarise(errors.map((error) => 100 * error))
report(
	'  its error against the solver',
	`${median.toFixed(2)} % (p95 ${p95.toFixed(2)}, worst ${worst.toFixed(2)})`,
	'p95 under 2 %',
)
if (!(sum > 0)) throw new Error('no look-up gave an answer')
