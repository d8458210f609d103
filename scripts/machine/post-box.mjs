/**
 * The stand-in for a mail server: takes every letter on loopback, sends none on, and shows them on a page of its own.
 * Who reads it can choose anybody's password anew, so its address has a secret in it that the start prints.
 */
import { randomBytes } from 'node:crypto'
import { createServer } from 'node:http'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'

const HOST = '127.0.0.1'
const KEPT = 100
const MOST_BYTES = 1024 * 1024

/**
 * @param port - of its page; 0: any that is free
 * @returns the address for letters, that of the page, the letters (newest first), and how to close it
 */
export async function openPostBox(port = 0) {
	const letters = []
	const smtp = new SMTPServer({
		// Nobody else reaches it.
		authOptional: true,
		disabledCommands: ['AUTH', 'STARTTLS'],
		size: MOST_BYTES,
		logger: false,
		onData(stream, _session, done) {
			simpleParser(stream).then((letter) => {
				letters.unshift(toLetter(letter))
				letters.length = Math.min(letters.length, KEPT)
				done()
			}, done)
		},
	})
	// A sender that goes away in the middle is no failure of ours.
	smtp.on('error', () => undefined)
	const secret = randomBytes(9).toString('base64url')
	const page = createServer((request, response) => {
		const isOpen = request.url === `/${secret}` && request.headers.host === `${HOST}:${page.address().port}`
		response.writeHead(isOpen ? 200 : 404, HEADERS).end(isOpen ? showLetters(letters) : 'Nothing here.')
	})
	await Promise.all([listen(smtp.server, 0), listen(page, port)])
	return {
		smtpUrl: `smtp://${HOST}:${smtp.server.address().port}`,
		pageUrl: `http://${HOST}:${page.address().port}/${secret}`,
		letters,
		close: () => Promise.all([close(smtp), close(page)]),
	}
}

const HEADERS = {
	'Content-Type': 'text/html; charset=utf-8',
	'Cache-Control': 'no-store',
	'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
	'Referrer-Policy': 'no-referrer',
}

function toLetter({ to, subject, text, date }) {
	const receivers = [to ?? []].flat().map((one) => one.text)
	return { to: receivers.join(', '), subject: subject ?? '', text: text ?? '', at: date ?? new Date() }
}

function showLetters(letters) {
	const sheets = letters.map(
		({ to, subject, text, at }) =>
			`<article><h2>${escape(subject)}</h2><p>To ${escape(to)} · ${escape(at.toUTCString())}</p><pre>${withLinks(escape(text))}</pre></article>`,
	)
	return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Post box · Calycine</title><style>
body{font:17px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem;background:#f6f1e7;color:#2f2a26}
article{background:#fffdf8;border-radius:12px;padding:1rem 1.4rem;margin:1rem 0}h2{margin:0}p{margin:.2rem 0;color:#6b6259}pre{white-space:pre-wrap;font:inherit}
</style><h1>Post box</h1><p>Letters that would have gone out by e-mail. Reload for newer ones.</p>${sheets.join('') || '<p>No letter yet.</p>'}`
}

function escape(text) {
	return text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)
}

function withLinks(text) {
	return text.replace(/https?:\/\/[^\s&]+/g, (link) => `<a href="${link}">${link}</a>`)
}

function listen(server, port) {
	return new Promise((resolve, reject) => {
		server.once('error', reject)
		server.listen(port, HOST, () => {
			server.off('error', reject)
			resolve()
		})
	})
}

function close(server) {
	return new Promise((resolve) => {
		server.close(resolve)
		server.closeAllConnections?.()
	})
}
