/** A visitor at the real interface: Debian's Chromium on a running copy of the app, every complaint of the page noted. */
import { cpSync } from 'node:fs'
import { AxeBuilder } from '@axe-core/playwright'
import type { Browser, BrowserContext, BrowserContextOptions, Locator, Page } from 'playwright-core'
import { inject } from 'vitest'
import { launchBrowser, openWhenAlive, signIn } from '../../scripts/machine/browser.mjs'
import { makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { TODAY } from './today'

export interface Bench {
	app: Awaited<ReturnType<typeof startApp>>
	browser: Browser
	/** Stops the server and starts it again on the same data; its address may be another. */
	restart: () => Promise<void>
	close: () => Promise<void>
}

/** A copy of the demo as its first start leaves it, running, and a browser. */
export async function openBench(): Promise<Bench> {
	const data = makeDataFolder()
	cpSync(inject('demoFolder'), data.folder, { recursive: true })
	const start = () => startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: TODAY } })
	const bench: Bench = {
		app: await start(),
		browser: await launchBrowser(),
		restart: async () => {
			await bench.app.stop()
			bench.app = await start()
		},
		close: async () => {
			await bench.browser.close()
			await bench.app.stop()
			data.remove()
		},
	}
	return bench
}

export interface Visitor {
	page: Page
	context: BrowserContext
	/** Errors and warnings of the console, failed requests, scripts that threw. */
	complaints: string[]
}

/** A window of its own; signed in unless said otherwise. */
export async function visit(
	{ app, browser }: Bench,
	{
		isSignedIn = true,
		...options
	}: { isSignedIn?: boolean } & Pick<BrowserContextOptions, 'javaScriptEnabled' | 'viewport' | 'reducedMotion'> = {},
): Promise<Visitor> {
	const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: app.url, ...options })
	// A machine at the end of its breath takes its time.
	context.setDefaultTimeout(30_000)
	const page = await context.newPage()
	if (options.javaScriptEnabled !== false) openWhenAlive(page)
	const complaints: string[] = []
	page.on('console', (message) => {
		if (['error', 'warning'].includes(message.type())) complaints.push(message.text())
	})
	page.on('pageerror', (error) => complaints.push(String(error)))
	page.on('response', (response) => {
		if (response.status() >= 500) complaints.push(`${response.status()} ${response.url()}`)
	})
	if (isSignedIn) await signIn(page, app)
	return { page, context, complaints }
}

/** Chooses a word from a list of the component library. */
export async function choose(field: Locator, option: string): Promise<void> {
	await field.click()
	// A long list holds only what is in view, and is searched.
	if (await field.isEditable()) await field.fill(option)
	const list = field.page().locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden)')
	await list.getByTitle(option, { exact: true }).click()
}

/** Findings of an accessibility scan, a line each. */
export async function scan(page: Page): Promise<string[]> {
	// In the page itself, whose frames are its own, and only what is wrong is told at length.
	const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
	const { violations } = await axe.analyze()
	return violations.flatMap(({ id, nodes }) =>
		nodes.map(({ target, failureSummary }) => `${id}: ${target.join(' ')}: ${failureSummary}`),
	)
}
