/** How long pages take while eight courses are being planned by the server's threads. */
import { makeDataFolder, startApp, fetchCookie } from '../../scripts/machine/running-app.mjs'
import { report, summarise, tell } from './measure.ts'

const PAGES = ['/', '/courses', '/courses/1', '/courses/1/plan', '/designs/magnolia', '/rooms']
const REQUESTS = 30
const COURSES = 8

console.log('\nPages while eight courses are being planned')
const data = makeDataFolder()
const app = await startApp({ dataFolder: data.folder })
const cookie = await fetchCookie(app)
const headers = { cookie, 'accept-encoding': 'gzip' }
const idle = await timePages()
let isOver = false
let planned = 0
const busy = Promise.all(Array.from({ length: COURSES }, keepPlanning))
const loaded = await timePages()
isOver = true
await busy
report('  idle', tell(summarise(idle)))
report(`  while planning, ${planned} answers meanwhile`, tell(summarise(loaded)), '< 2 x idle')
report('  ratio of the medians', (summarise(loaded).median / summarise(idle).median).toFixed(2), '< 2')
await app.stop()
data.remove()

/** One course after the other, so that eight are always waiting or at work: the ways out of one that does not fit. */
async function keepPlanning() {
	while (!isOver) {
		const response = await fetch(`${app.url}/courses/3/plan/ways-out`, { headers })
		await response.arrayBuffer()
		if (response.status === 200) planned++
		else await new Promise((resolve) => setTimeout(resolve, 100))
	}
}

async function timePages() {
	const times = []
	for (const page of PAGES) {
		for (let r = 0; r <= REQUESTS; r++) {
			const before = performance.now()
			const response = await fetch(app.url + page, { headers })
			await response.arrayBuffer()
			if (response.status !== 200) throw new Error(`${page}: ${response.status}`)
			if (r > 0) times.push(performance.now() - before)
		}
	}
	return times
}
