/**
 * A cluster of databases on this machine: MariaDB Galera Cluster, each node with a folder and ports of its own on
 * loopback. To try the app on one, and to see what it does when a node is gone; not for real data: all of it is on one disk.
 * Words and limits of Galera from memory of its documentation ("Galera Parameters", "System variables").
 */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { keepSecret } from './data-folder.mjs'
import {
	asRoot,
	findFreePort,
	initStatements,
	installDatabase,
	isReady,
	spawnDatabase,
	stop,
	stopOrphans,
	urlOf,
} from './database.mjs'
import { Failure } from './failure.mjs'
import { ensureDatabasePrograms, findProgram } from './packages.mjs'

const NODE_COUNT = 3
const SYNC_TIMEOUT_MS = 60_000
/** Of Debian; taken apart into our folder where they are not installed, so that no service of the machine is started. */
const PACKAGES = ['galera-4', 'rsync', 'mariadb-server', 'libpopt0']
const PROVIDER = 'usr/lib/galera/libgalera_smm.so'

/**
 * A node that is silent is suspected after 2 s and out after 5; the other limits follow from these two. A small memory
 * of what was written: a node that was gone for long copies everything.
 */
const PROVIDER_OPTIONS = {
	'evs.keepalive_period': 'PT0.5S',
	'evs.suspect_timeout': 'PT2S',
	'evs.inactive_timeout': 'PT5S',
	'evs.install_timeout': 'PT5S',
	'gcache.size': '32M',
	'repl.causal_read_timeout': 'PT5S',
	// All of them down: the one that knows most begins anew, and is chosen here.
	'pc.recovery': 'false',
}

/**
 * Starts the nodes, the one that knows most first; makes them where there are none.
 *
 * @param folder - of the cluster
 * @returns the URL that names all nodes, the nodes, and how to stop them
 * @throws {Failure} a program is missing, or a node does not start
 */
export async function startCluster(folder) {
	ensureDatabasePrograms()
	const programs = ensureGaleraPrograms(folder)
	const password = keepSecret(folder, 'database-password')
	const nodes = []
	for (let number = 1; number <= NODE_COUNT; number++) nodes.push(await makeNode(folder, number))
	for (const { dataFolder } of nodes) await stopOrphans(dataFolder)
	const first = chooseFirst(nodes, programs)
	const common = { nodes, programs, password }
	await startNode(first, { ...common, isFirst: true })
	for (const node of nodes) if (node !== first) await startNode(node, common)
	return {
		url: urlOf(password, ...nodes.map(({ port }) => port)),
		urls: nodes.map(({ port }) => urlOf(password, port)),
		nodes: nodes.map((node) => ({
			name: node.name,
			pid: () => node.database.child.pid,
			kill: (signal = 'SIGKILL') => node.database.child.kill(signal),
			/** After it was killed: it catches up with the others. */
			start: () => startNode(node, common),
		})),
		stop: async () => {
			// The last one to stop knows most, and says so.
			for (const { database } of nodes.toReversed()) if (database) await stop(database.child)
		},
	}
}

async function makeNode(folder, number) {
	const own = path.join(folder, `node-${number}`)
	mkdirSync(own, { recursive: true, mode: 0o700 })
	const ports = { port: await findFreePort(), group: await findFreePort(), catchUp: await findFreePort() }
	return {
		name: `node-${number}`,
		folder: own,
		dataFolder: path.join(own, 'database'),
		...ports,
		copy: await findFreePort(),
	}
}

/** Programs that are installed, or taken apart from their packages. */
function ensureGaleraPrograms(folder) {
	const installed = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib/libgalera_smm.so'].find(existsSync)
	// As root the copier would drop to nobody, who may write nowhere: its script is changed, in our copy alone.
	const isRoot = asRoot().length > 0
	if (installed && findProgram('rsync') && findProgram('wsrep_sst_rsync') && !isRoot)
		return { provider: installed, environment: process.env }
	const root = path.join(folder, 'programs')
	if (!existsSync(path.join(root, PROVIDER))) unpackPrograms(root, isRoot)
	return {
		provider: path.join(root, PROVIDER),
		environment: {
			...process.env,
			PATH: `${path.join(root, 'usr/bin')}:${process.env.PATH}`,
			LD_LIBRARY_PATH: path.join(root, 'usr/lib/x86_64-linux-gnu'),
		},
	}
}

function unpackPrograms(root, isRoot) {
	// Made aside, so that half of them is never taken for all.
	const making = `${root}.making`
	rmSync(making, { recursive: true, force: true })
	mkdirSync(making, { recursive: true })
	console.log(`Fetching ${PACKAGES.join(', ')} from Debian’s packages…`)
	const run = (program, ...words) =>
		spawnSync(program, words, { cwd: making, stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' })
	const { status, stderr, error } = run('apt-get', 'download', ...PACKAGES)
	if (error || status !== 0)
		throw new Failure(
			`The programs of a cluster are missing: ${PACKAGES.join(', ')}. Is there a network?\n${stderr ?? ''}`,
		)
	const unpack = run('sh', '-c', 'for package in *.deb; do dpkg -x "$package" unpacked || exit 1; done')
	if (unpack.status !== 0) throw new Failure(`The packages could not be unpacked:\n${unpack.stderr}`)
	if (isRoot) {
		const script = path.join(making, 'unpacked/usr/bin/wsrep_sst_rsync')
		const text = readFileSync(script, 'utf8').replace(/^use chroot = no$/m, 'use chroot = no\nuid = root\ngid = root')
		writeFileSync(script, text)
	}
	renameSync(path.join(making, 'unpacked'), root)
	rmSync(making, { recursive: true, force: true })
}

/** Whoever wrote last when all of them stopped; a new cluster begins with the first. */
function chooseFirst(nodes, programs) {
	const [first] = nodes
	if (!existsSync(first.dataFolder)) {
		installDatabase(first.dataFolder)
		return first
	}
	const known = nodes.map((node) => ({ node, position: positionOf(node, programs)?.number ?? -1 }))
	const best = known.reduce((most, one) => (one.position > most.position ? one : most)).node
	const file = path.join(best.dataFolder, 'grastate.dat')
	if (existsSync(file))
		writeFileSync(file, readFileSync(file, 'utf8').replace(/^safe_to_bootstrap: 0$/m, 'safe_to_bootstrap: 1'))
	return best
}

/**
 * The last write that a node has; a node that was killed is asked.
 *
 * @returns its number, and the position as a start takes it; undefined: it has none
 */
function positionOf({ dataFolder }, { provider, environment }) {
	const state = path.join(dataFolder, 'grastate.dat')
	if (!existsSync(state)) return undefined
	const text = readFileSync(state, 'utf8')
	const written = Number(/^seqno:\s*(-?\d+)$/m.exec(text)?.[1] ?? -1)
	if (written >= 0) return { number: written, start: `${/^uuid:\s*(\S+)$/m.exec(text)?.[1]}:${written}` }
	// Without all of these it ends before it says anything.
	const words = [
		'--no-defaults',
		...asRoot(),
		`--datadir=${dataFolder}`,
		`--socket=${path.join(dataFolder, 'recovery.sock')}`,
		`--pid-file=${path.join(dataFolder, 'recovery.pid')}`,
		'--skip-networking',
		'--innodb-log-file-size=32M',
		'--binlog-format=ROW',
		'--innodb-autoinc-lock-mode=2',
		'--wsrep-on=ON',
		'--wsrep-cluster-address=gcomm://',
		`--wsrep-provider=${provider}`,
		'--wsrep-recover',
	]
	const { stderr } = spawnSync(findProgram('mariadbd'), words, { encoding: 'utf8', env: environment })
	const [, start, number] = /Recovered position: ([\w-]+:(-?\d+))/.exec(stderr) ?? []
	return start && { number: Number(number), start }
}

async function startNode(node, { nodes, programs, password, isFirst = false }) {
	mkdirSync(node.dataFolder, { recursive: true, mode: 0o700 })
	// What it has it need not copy again: it is sent what came since.
	const position = isFirst ? undefined : positionOf(node, programs)?.start
	const initFile = path.join(node.folder, 'init.sql')
	writeFileSync(initFile, initStatements(password), { mode: 0o600 })
	const logFile = path.join(node.folder, 'database.log')
	node.database = spawnDatabase({
		...{ dataFolder: node.dataFolder, folder: node.folder, logFile, port: node.port },
		pidFile: path.join(node.folder, 'database.pid'),
		// Accounts come to the others with all the rest.
		...(isFirst && { initFile }),
		more: [
			...clusterWords(node, { nodes, programs, isFirst }),
			...(position ? [`--wsrep-start-position=${position}`] : []),
		],
		environment: programs.environment,
	})
	if ((await isReady(node.database, node.port)) && (await isSynced(urlOf(password, node.port)))) return
	await stop(node.database.child)
	throw new Failure(`${node.name} of the cluster did not start: see ${logFile}`)
}

function clusterWords({ name, port: _, group, catchUp, copy }, { nodes, programs, isFirst }) {
	const options = {
		...PROVIDER_OPTIONS,
		'gmcast.listen_addr': `tcp://127.0.0.1:${group}`,
		'ist.recv_addr': `127.0.0.1:${catchUp}`,
	}
	const peers = nodes.map((node) => `127.0.0.1:${node.group}`).join()
	return [
		'--binlog-format=ROW',
		'--innodb-autoinc-lock-mode=2',
		'--innodb-flush-log-at-trx-commit=1',
		'--wsrep-on=ON',
		`--wsrep-provider=${programs.provider}`,
		`--wsrep-provider-options=${Object.entries(options)
			.map((pair) => pair.join('='))
			.join(';')}`,
		'--wsrep-cluster-name=calycine',
		`--wsrep-cluster-address=gcomm://${isFirst ? '' : peers}`,
		...(isFirst ? ['--wsrep-new-cluster'] : []),
		`--wsrep-node-name=${name}`,
		'--wsrep-node-address=127.0.0.1',
		'--wsrep-sst-method=rsync',
		// While it is copied from it writes nothing: whoever asks goes to another at once.
		'--wsrep-sst-donor-rejects-queries=ON',
		`--wsrep-sst-receive-address=127.0.0.1:${copy}`,
		// A page that follows a write may be asked of another node, and must see it.
		'--wsrep-sync-wait=1',
	]
}

async function isSynced(url) {
	// A package, which is there only now.
	const { createConnection } = await import('mariadb')
	for (const deadline = Date.now() + SYNC_TIMEOUT_MS; Date.now() < deadline; await sleep(200)) {
		try {
			const connection = await createConnection(url)
			const [row] = await connection.query("SHOW STATUS LIKE 'wsrep_local_state_comment'")
			await connection.end()
			if (row?.Value === 'Synced') return true
		} catch {
			// Not yet.
		}
	}
	return false
}
