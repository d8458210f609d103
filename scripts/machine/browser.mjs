/** Debian's Chromium, headless, driven through Playwright. */
import { chromium } from 'playwright-core'
import { ensurePrograms, findProgram } from './packages.mjs'

/** Installs the browser from Debian's packages where it is missing. */
export function ensureBrowser() {
	ensurePrograms(['chromium'], ['chromium'])
}

export function launchBrowser() {
	return chromium.launch({
		executablePath: findProgram('chromium'),
		args: [
			// As root, Chromium's own sandbox cannot start.
			...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
			'--disable-gpu',
			'--disable-quic',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
		],
	})
}

/** The page's `goto` and `reload` then end when it listens, not when its first picture stands. */
export function openWhenAlive(page) {
	for (const way of ['goto', 'reload']) {
		const load = page[way].bind(page)
		page[way] = async (...words) => {
			const answer = await load(...words)
			if (answer?.headers()['content-type']?.startsWith('text/html'))
				await page.locator('html[data-alive]').waitFor({ state: 'attached' })
			return answer
		}
	}
	return page
}

/** Signs in through the form. */
export async function signIn(page, { url, email, password }) {
	await page.goto(`${url}/sign-in`)
	await page.getByLabel('E-mail address').fill(email)
	await page.getByLabel('Password').fill(password)
	await page.getByRole('button', { name: 'Sign in' }).click()
	await page.waitForURL((address) => address.pathname === '/')
}
