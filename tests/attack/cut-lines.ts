/**
 * Three tablets on one class, each with a clock of its own and a line that is pulled and plugged in by chance, pages
 * thrown away and opened again: afterwards all know the same, and nothing is lost or there twice.
 */
import type { Page } from 'playwright-core'
import { openLooseLine, type LooseLine } from '../support/loose-line'
import { visit, type Bench } from '../support/visitor'
import { createRng } from './odd-values'

export interface LinesReport {
	rounds: number
	/** Events that the server has in the end. */
	events: number
	/** In words, what was not as it should be. */
	failures: string[]
}

interface Tablet {
	page: Page
	line: LooseLine
	close: () => Promise<void>
}

const TABLETS = 3
const MOST_CLOCK_ERROR_MS = 120_000
const PRESSES = ['Most are done', 'Go on', 'All are done', 'Broken piece', 'Undo', 'Pause', 'We begin']
/** For all to be sent and heard again. */
const CALM_MS = 30_000

/** @param run - address of a session without a slash at its end */
export async function cutLines(
	bench: Bench,
	run: string,
	{ rounds, seed }: { rounds: number; seed: number },
): Promise<LinesReport> {
	const rng = createRng(seed)
	const report: LinesReport = { rounds, events: 0, failures: [] }
	const tablets: Tablet[] = []
	for (let t = 0; t < TABLETS; t++) tablets.push(await openTablet(bench, run, (2 * rng() - 1) * MOST_CLOCK_ERROR_MS))
	for (let round = 0; round < rounds; round++) {
		for (const { page, line } of tablets) {
			if (rng() < 0.5) line.pull()
			for (let press = 0; press < 3; press++) await tryPress(page, PRESSES[Math.floor(rng() * PRESSES.length)]!)
			if (rng() < 0.3) await page.reload()
			if (rng() < 0.5) line.plug()
		}
		for (const { line } of tablets) line.plug()
		const failure = await settle(tablets, run)
		if (failure) report.failures.push(`round ${round}: ${failure}`)
	}
	report.events = (await eventsOnServer(tablets[0]!.page, run)).length
	for (const { close } of tablets) await close()
	return report
}

async function openTablet(bench: Bench, run: string, clockErrorMs: number): Promise<Tablet> {
	const line = await openLooseLine(bench.app.url)
	const { page, context } = await visit({ ...bench, app: { ...bench.app, url: line.url } }, { reducedMotion: 'reduce' })
	await context.addInitScript((error) => {
		const now = Date.now.bind(Date)
		Date.now = () => now() + error
	}, clockErrorMs)
	await page.goto(run)
	await page
		.getByText(/eady for class|all is kept/)
		.first()
		.waitFor()
	// The pages of the class are kept from now on.
	await page
		.getByText(/^Ready for class/)
		.waitFor({ timeout: 60_000 })
		.catch(() => undefined)
	return {
		page,
		line,
		close: async () => {
			await context.close()
			await line.close()
		},
	}
}

/** What is not there, or goes while it is pressed, cannot be pressed. */
async function tryPress(page: Page, name: string): Promise<void> {
	const button = page.getByRole('button', { name, exact: true }).first()
	if ((await button.count()) === 0) return
	const isEnabled = await button.isEnabled({ timeout: 500 }).catch(() => false)
	if (isEnabled) await button.click({ timeout: 2_000 }).catch(() => undefined)
}

/** @returns what is wrong; undefined: all know the same */
async function settle(tablets: readonly Tablet[], run: string): Promise<string | undefined> {
	const deadline = Date.now() + CALM_MS
	let problem: string | undefined
	do {
		problem = await differenceOf(tablets, run)
		if (problem) await tablets[0]!.page.waitForTimeout(300)
	} while (problem && Date.now() < deadline)
	return problem
}

async function differenceOf(tablets: readonly Tablet[], run: string): Promise<string | undefined> {
	const server = await eventsOnServer(tablets[0]!.page, run)
	const twice = server.length - new Set(server).size
	if (twice > 0) return `${twice} events are there twice`
	const all = [...server].sort().join()
	for (const [t, { page }] of tablets.entries()) {
		const own = await eventsOnDevice(page, run)
		if (own.some(({ isSent }) => !isSent)) return `tablet ${t} has not sent all`
		if (
			own
				.map(({ id }) => id)
				.sort()
				.join() !== all
		)
			return `tablet ${t} has ${own.length} events, the server ${server.length}`
	}
	const shown = await Promise.all(tablets.map(({ page }) => page.locator('.run-now h2').innerText()))
	return new Set(shown).size > 1 ? `they show ${shown.join(' | ')}` : undefined
}

function eventsOnServer(page: Page, run: string): Promise<string[]> {
	return page.evaluate(async (address) => {
		const body = JSON.stringify({ events: [], after: 0 })
		const headers = { 'Content-Type': 'application/json' }
		const answer = await fetch(`${address}/events`, { method: 'POST', headers, body })
		const { events } = (await answer.json()) as { events: { id: string }[] }
		return events.map(({ id }) => id)
	}, run)
}

function eventsOnDevice(page: Page, run: string): Promise<{ id: string; isSent: boolean }[]> {
	return page.evaluate(
		(address) =>
			new Promise<{ id: string; isSent: boolean }[]>((resolve, reject) => {
				const opening = indexedDB.open('calycine-runs-1')
				opening.onerror = () => reject(new Error('the store did not open'))
				opening.onsuccess = () => {
					const asking = opening.result.transaction('events').objectStore('events').index('run').getAll(address)
					asking.onsuccess = () => {
						opening.result.close()
						resolve((asking.result as { id: string; isSent: boolean }[]).map(({ id, isSent }) => ({ id, isSent })))
					}
				}
			}),
		run,
	)
}
