/** What a device keeps of its runs: every event from the moment it is written, sent or not, whatever happens to the page. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { RunEvent } from '../../../core/run/run-event'
import { randomId } from './random-id'

interface RunsSchema extends DBSchema {
	events: {
		key: [run: string, id: string]
		value: { run: string; id: string; event: RunEvent; isSent: boolean }
		indexes: { run: string }
	}
	names: { key: string; value: string }
}

export interface KeptEvents {
	events: RunEvent[]
	/** Ids of those that no server has. */
	unsent: ReadonlySet<string>
}

export class RunStore {
	readonly #opening: Promise<IDBPDatabase<RunsSchema>>

	constructor() {
		this.#opening = openDB<RunsSchema>('calycine-runs', 1, {
			upgrade: (database) => {
				database.createObjectStore('events', { keyPath: ['run', 'id'] }).createIndex('run', 'run')
				database.createObjectStore('names')
			},
		})
	}

	/** The name under which this device writes: made once. */
	async deviceName(): Promise<string> {
		const database = await this.#opening
		const transaction = database.transaction('names', 'readwrite')
		const known = await transaction.store.get('device')
		const name = known ?? randomId()
		if (!known) await transaction.store.put(name, 'device')
		await transaction.done
		return name
	}

	async read(run: string): Promise<KeptEvents> {
		const rows = await (await this.#opening).getAllFromIndex('events', 'run', run)
		return {
			events: rows.map(({ event }) => event),
			unsent: new Set(rows.flatMap(({ id, isSent }) => (isSent ? [] : [id]))),
		}
	}

	/** Of all runs, what no server has, by the address of the run. */
	async unsent(): Promise<Map<string, RunEvent[]>> {
		const rows = await (await this.#opening).getAll('events')
		const byRun = new Map<string, RunEvent[]>()
		for (const { run, event, isSent } of rows) if (!isSent) byRun.set(run, [...(byRun.get(run) ?? []), event])
		return byRun
	}

	/** Who leaves the device leaves nothing on it. */
	async clear(): Promise<void> {
		await (await this.#opening).clear('events')
	}

	/** On the disk when it is done, not only on its way there. */
	async keep(run: string, events: readonly RunEvent[], isSent: boolean): Promise<void> {
		const database = await this.#opening
		const transaction = database.transaction('events', 'readwrite', { durability: 'strict' })
		for (const event of events) void transaction.store.put({ run, id: event.id, event, isSent })
		await transaction.done
	}
}

/** Of a phone that only looks on. */
export const NO_STORE: Pick<RunStore, 'deviceName' | 'read' | 'keep'> = {
	deviceName: () => Promise.resolve(randomId()),
	read: () => Promise.resolve({ events: [], unsent: new Set<string>() }),
	keep: () => Promise.resolve(),
}
