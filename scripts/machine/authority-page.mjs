/** A page without HTTPS that hands out one thing: the certificate by which a tablet trusts Calycine in this room. */
import { createServer } from 'node:http'

const HEADERS = { 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff' }

/**
 * @param local - as `ensureLocalCertificate` gives it
 * @param origin - where Calycine is
 * @returns the server, listening
 */
export function openAuthorityPage(local, { host, port, origin }) {
	const page = showPage(local.fingerprint, origin)
	const server = createServer((request, response) => {
		if (request.url === '/calycine.crt')
			return response.writeHead(200, { ...HEADERS, 'Content-Type': 'application/x-x509-ca-cert' }).end(local.authority)
		const isPage = request.url === '/'
		response
			.writeHead(isPage ? 200 : 404, {
				...HEADERS,
				'Content-Type': 'text/html; charset=utf-8',
				'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
			})
			.end(isPage ? page : 'Nothing here.')
	})
	return new Promise((resolve, reject) => {
		server.once('error', reject)
		server.listen(port, host, () => resolve(server))
	})
}

function showPage(fingerprint, origin) {
	return `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Calycine in this room</title><style>
body{font:18px/1.5 system-ui,sans-serif;max-width:40rem;margin:2rem auto;padding:0 1rem;background:#f6f1e7;color:#2f2a26}
code{overflow-wrap:anywhere}li{margin:.6rem 0}a{color:#7a3b5f}
</style><h1>Calycine in this room</h1><ol>
<li>Fetch <a href="/calycine.crt">the certificate</a>. It is good for addresses of rooms like this one, and for nothing else.</li>
<li>Compare it with what stands where Calycine was started:<br><code>${fingerprint}</code></li>
<li>Install it. iPad: Settings, Profile Downloaded; then General, About, Certificate Trust Settings. Android: Settings, Security, Install a certificate, CA certificate. Others: in the settings of the browser, under certificates.</li>
<li>Open <a href="${origin}">${origin}</a>.</li></ol>`
}
