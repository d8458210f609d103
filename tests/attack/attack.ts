/**
 * `npm run attack [-- SEED]`: everything that could make Calycine fall over or lose something, bounded, some minutes.
 * Every finding is printed with its seed; the exit code says whether there was one.
 */
import { closeDatabase } from '../../db/connection.server'
import { openBench } from '../support/visitor'
import { cutLines } from './cut-lines'
import { stopWhileFrozen, takeDatabaseAway } from './database-away'
import { askForForeignThings, foundStranger } from './foreign-studio'
import { fillDisk } from './full-disk'
import { fuzzGets, fuzzPosts } from './fuzz-posts'
import { openHardCourses } from './hard-courses'
import { addDemoPerson, postAsLesserRole } from './lesser-roles'
import { killFirstStarts, killWhileWriting } from './kill-rounds'
import { writeInParallel } from './parallel-writers'
import { HANG_MS, makeDataFolder, openTargetDatabase, startTarget } from './target'

const seed = Number(process.argv[2] ?? Date.now() % 100_000)
let findings = 0

function tell(what: string, bad: unknown[], summary: string): void {
	findings += bad.length
	console.log(`${bad.length === 0 ? 'held ' : 'FELL '} ${what}: ${summary}`)
	for (const one of bad.slice(0, 20)) console.log(`        ${typeof one === 'string' ? one : JSON.stringify(one)}`)
}

console.log(`seed ${seed}`)
const data = makeDataFolder()

const kills = await killWhileWriting(data.folder, { rounds: 8, seed })
tell(
	'kill -9 while writing',
	[...kills.failedStarts, ...(kills.lost > 0 ? [`${kills.lost} lost`] : [])],
	`${kills.acknowledged} acknowledged writes, ${kills.lost} lost`,
)
tell(
	'kill -9 at a first start',
	await killFirstStarts(makeDataFolder, { rounds: 6, seed }),
	'6 folders, each killed twice',
)

const target = await startTarget(data.folder)
openTargetDatabase(data.folder)
const writers = await writeInParallel(target, { rounds: 12 })
tell(
	'parallel writers',
	[
		...Object.entries(writers.byStatus).filter(([status]) => Number(status) >= 500 || status === '0'),
		...writers.takenOfOneVersion.filter((taken) => taken > 1),
	],
	`${writers.answers} answers, ${JSON.stringify(writers.byStatus)}`,
)
const hard = await openHardCourses(target, { studios: 20, courses: 9 })
tell(
	'20 studios open 9 hard courses each',
	[
		...Object.entries(hard.byStatus).filter(([status]) => status !== '200'),
		...(hard.worstMs > HANG_MS ? [`worst ${hard.worstMs} ms`] : []),
	],
	JSON.stringify(hard),
)
tell('odd addresses', await fuzzGets(target), 'all below 500')
tell('odd bodies', await fuzzPosts(target, { rounds: 30, seed }), '30 for every address of the route table')
tell(
	'ids of another studio',
	await askForForeignThings(target, await foundStranger(target)),
	'not found, nothing changed',
)

for (const role of ['guest', 'assistant'] as const)
	tell(
		`what a ${role} may not`,
		await postAsLesserRole(target, role, await addDemoPerson(target, role)),
		'refused on every address of the route table',
	)

const away = await takeDatabaseAway(target)
tell(
	'database frozen and gone',
	[
		...away.frozen.filter(({ status, ms }) => status !== 503 || ms > HANG_MS),
		...(away.health.status !== 503 || away.health.ms > 3_000 ? [away.health] : []),
		...(away.live.status !== 200 || away.live.ms > 1_000 ? [away.live] : []),
		...(away.backAfterMs > HANG_MS ? [`back after ${away.backAfterMs} ms`] : []),
	],
	`answers within ${Math.round(Math.max(...away.frozen.map(({ ms }) => ms)))} ms, health ${Math.round(away.health.ms)} ms, back after ${Math.round(away.backAfterMs)} ms`,
)
await closeDatabase()
const stopMs = await stopWhileFrozen(target)
tell('a stop while the database is frozen', stopMs > 30_000 ? [stopMs] : [], `${Math.round(stopMs)} ms`)
data.remove()

const disk = await fillDisk()
if (!disk) console.log('said   full disk: this user may not mount a small one here')
else
	tell(
		'full disk',
		[
			...disk.saves.filter(({ status, ms }) => (status !== 503 && status !== 200) || ms > HANG_MS),
			...(disk.saves.every(({ status }) => status === 200) ? ['the disk was not full'] : []),
			...[disk.read, disk.health, disk.after].filter(({ status, ms }) => status !== 200 || ms > HANG_MS),
		],
		`saves ${disk.saves.map(({ status, ms }) => `${status} in ${Math.round(ms)} ms`).join(', ')}`,
	)
const bench = await openBench()
const lines = await cutLines(bench, '/courses/2/run/1', { rounds: 20, seed })
tell('a class on three tablets whose lines are cut', lines.failures, `${lines.events} events in ${lines.rounds} rounds`)
await bench.close()
console.log(findings === 0 ? 'Nothing fell.' : `${findings} findings; again with: npm run attack -- ${seed}`)
process.exit(findings === 0 ? 0 : 1)
