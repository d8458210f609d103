/**
 * HTTPS in the room without anybody's help: an authority of this machine's own, good for addresses of private networks
 * alone (RFC 1918), and a certificate from it for the addresses that the machine has today. Made with openssl.
 */
import { spawnSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { Failure } from './failure.mjs'
import { ensurePrograms, findProgram } from './packages.mjs'

const AUTHORITY_DAYS = 3650
/** Browsers take none that lasts longer than 398 days (CA/Browser Forum, from memory). */
const CERTIFICATE_DAYS = 397
const RENEW_DAYS = 30
const DAY_MS = 86_400_000

/** Whoever gets the authority's key can pretend to be nobody outside such a network. */
const PERMITTED = [
	'IP:10.0.0.0/255.0.0.0',
	'IP:172.16.0.0/255.240.0.0',
	'IP:192.168.0.0/255.255.0.0',
	'IP:127.0.0.0/255.0.0.0',
	'DNS:localhost',
	'DNS:.local',
]
const PRIVATE = /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)/

/** IPv4 addresses of this machine in private networks. */
export function listRoomAddresses() {
	const all = Object.values(os.networkInterfaces()).flat()
	return all
		.filter(({ family, internal, address }) => family === 'IPv4' && !internal && PRIVATE.test(address))
		.map(({ address }) => address)
}

/**
 * The certificate for the addresses, made anew where they are others or its time is nearly over; the authority stays.
 *
 * @param folder - of the data
 * @returns certificate and key for the server, the authority's certificate, and what to compare it by
 * @throws {Failure} openssl is missing, or failed
 */
export function ensureLocalCertificate(folder, addresses = listRoomAddresses()) {
	ensurePrograms(['openssl'], ['openssl'])
	const tls = path.join(folder, 'tls')
	mkdirSync(tls, { recursive: true, mode: 0o700 })
	const at = (name) => path.join(tls, name)
	if (!existsSync(at('authority.crt'))) makeAuthority(at)
	const names = [
		'IP:127.0.0.1',
		...addresses.map((address) => `IP:${address}`),
		'DNS:localhost',
		`DNS:${hostName()}.local`,
	]
	if (!isGood(at('server.crt'), names)) makeCertificate(at, names)
	const authority = readFileSync(at('authority.crt'))
	return {
		cert: readFileSync(at('server.crt')),
		key: readFileSync(at('server.key')),
		authority,
		fingerprint: new X509Certificate(authority).fingerprint256,
	}
}

function makeAuthority(at) {
	const subject = `/O=Calycine/CN=Calycine on ${hostName()}`
	makeKey(at('authority.key'))
	openssl(
		'req',
		'-x509',
		'-new',
		'-sha256',
		'-key',
		at('authority.key'),
		'-days',
		AUTHORITY_DAYS,
		'-subj',
		subject,
		...extensions({
			basicConstraints: 'critical,CA:TRUE,pathlen:0',
			keyUsage: 'critical,keyCertSign,cRLSign',
			nameConstraints: `critical,${PERMITTED.map((name) => `permitted;${name}`).join(',')}`,
		}),
		'-out',
		at('authority.crt.part'),
	)
	renameSync(at('authority.crt.part'), at('authority.crt'))
}

function makeCertificate(at, names) {
	makeKey(at('server.key'))
	// Both in one step: an authority that is handed its own request knows what it signs.
	openssl(
		'req',
		'-x509',
		'-new',
		'-sha256',
		'-key',
		at('server.key'),
		'-days',
		CERTIFICATE_DAYS,
		'-subj',
		'/CN=Calycine',
		'-CA',
		at('authority.crt'),
		'-CAkey',
		at('authority.key'),
		...extensions({
			basicConstraints: 'critical,CA:FALSE',
			keyUsage: 'critical,digitalSignature',
			extendedKeyUsage: 'serverAuth',
			subjectAltName: names.join(','),
		}),
		'-out',
		at('server.crt.part'),
	)
	renameSync(at('server.crt.part'), at('server.crt'))
}

function makeKey(file) {
	openssl('genpkey', '-algorithm', 'EC', '-pkeyopt', 'ec_paramgen_curve:P-256', '-out', file)
}

/** Whether it is there, is for just these names, and lasts a while yet. */
function isGood(file, names) {
	if (!existsSync(file)) return false
	const { subjectAltName = '', validTo } = new X509Certificate(readFileSync(file))
	const held = subjectAltName.split(', ').map((name) => name.replace('IP Address:', 'IP:'))
	return held.toSorted().join() === names.toSorted().join() && Date.parse(validTo) - Date.now() > RENEW_DAYS * DAY_MS
}

function extensions(values) {
	return Object.entries(values).flatMap(([name, value]) => ['-addext', `${name}=${value}`])
}

function hostName() {
	return (
		os
			.hostname()
			.split('.')[0]
			.toLowerCase()
			.replace(/[^a-z0-9-]/g, '-') || 'calycine'
	)
}

function openssl(...words) {
	// Its usual settings would add extensions of their own.
	const env = { ...process.env, OPENSSL_CONF: '/dev/null' }
	const { status, stderr } = spawnSync(findProgram('openssl'), words.map(String), { encoding: 'utf8', env })
	if (status !== 0) throw new Failure(`The certificate for the room could not be made:\n${stderr}`)
}
