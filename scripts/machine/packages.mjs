/** What must be installed before anything of ours can run: npm packages, and programs from Debian's packages. */
import { spawnSync } from 'node:child_process'
import { accessSync, constants, existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { Failure } from './failure.mjs'

const MIN_NODE = [20, 19]

export function checkNode() {
	const [major, minor] = process.versions.node.split('.').map(Number)
	if (major > MIN_NODE[0] || (major === MIN_NODE[0] && minor >= MIN_NODE[1])) return
	throw new Failure(`Calycine needs Node ${MIN_NODE.join('.')} or newer; this is ${process.versions.node}.`)
}

/** Installs the npm packages by the lock file, if they are not there as it says. */
export function ensureNpmPackages(root, { isQuiet = false } = {}) {
	if (matchesLock(root)) return
	if (!isQuiet) console.log('Installing npm packages (a minute or two the first time)…')
	const options = [
		'ci',
		'--include=dev',
		'--no-audit',
		'--no-fund',
		'--prefer-offline',
		'--fetch-retries=1',
		'--fetch-timeout=60000',
	]
	const { status, error } = spawnSync('npm', options, {
		cwd: root,
		stdio: ['ignore', isQuiet ? 'ignore' : 'inherit', 'inherit'],
		// Production would leave out what the build needs.
		env: { ...process.env, NODE_ENV: 'development' },
	})
	if (error || status !== 0) {
		throw new Failure('The npm packages could not be installed (npm’s own words stand above). Is there a network?')
	}
}

/** Whether node_modules holds the very versions of package-lock.json, but for optional ones of other machines. */
function matchesLock(root) {
	const installedPath = path.join(root, 'node_modules', '.package-lock.json')
	if (!existsSync(installedPath)) return false
	const wanted = JSON.parse(readFileSync(path.join(root, 'package-lock.json'), 'utf8')).packages
	const installed = JSON.parse(readFileSync(installedPath, 'utf8')).packages
	return Object.entries(wanted).every(([name, { version, optional, peer, link }]) => {
		if (name === '' || link) return true
		const found = installed[name]
		return found ? found.version === version : Boolean(optional || peer)
	})
}

/** Installs MariaDB's server from Debian's packages where it is missing; its service is not started. */
export function ensureDatabasePrograms() {
	ensurePrograms(
		['mariadbd', 'mariadb-install-db', 'my_print_defaults'],
		['mariadb-server-core', 'mariadb-client-core'],
	)
}

/** Installs Debian packages if one of the programs is missing. */
export function ensurePrograms(programs, packages) {
	const missing = programs.filter((program) => !findProgram(program))
	if (missing.length === 0) return
	const command = `apt-get install ${packages.join(' ')}`
	const prefix = process.getuid?.() === 0 ? [] : findProgram('sudo') && canSudo() ? ['sudo', '-n'] : undefined
	if (!findProgram('apt-get') || !prefix) {
		throw new Failure(
			`${missing.join(' and ')} ${missing.length > 1 ? 'are' : 'is'} missing. Please install from Debian’s packages, as root:\n  ${command}\nthen start again.`,
		)
	}
	console.log(`Installing ${packages.join(', ')} from Debian’s packages…`)
	const limits = ['-o', 'Acquire::http::Timeout=30', '-o', 'Acquire::Retries=1', '-o', 'DPkg::Lock::Timeout=120']
	const apt = (...words) => {
		const [program, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...limits, ...words]
		return spawnSync(program, rest, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0
	}
	const install = () => apt('install', '-y', '-qq', '--no-install-recommends', ...packages)
	if (!install() && !(apt('update', '-qq') && install())) {
		throw new Failure(
			`The packages could not be installed (apt’s own words stand above). Is there a network? By hand:\n  ${command}`,
		)
	}
	const left = programs.filter((program) => !findProgram(program))
	if (left.length > 0) throw new Failure(`${left.join(' and ')} still missing after: ${command}`)
}

/** Absolute path of a program, or undefined. */
export function findProgram(name) {
	const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/sbin', '/usr/local/sbin', '/usr/bin']
	return folders.map((folder) => path.join(folder, name)).find(isExecutable)
}

function isExecutable(file) {
	try {
		accessSync(file, constants.X_OK)
		return true
	} catch {
		// Not there, or not ours to run: for the search the same.
		return false
	}
}

function canSudo() {
	return spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
}
