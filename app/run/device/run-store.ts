/** What a device keeps of a studio's runs: every event from the moment it is written, sent or not, whatever happens to the page. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { RunEvent } from '../../../core/run/run-event'
import { randomId } from './random-id'

interface RunsSchema extends DBSchema {
	events: {
		key: [run: string, id: string]
		value: { run: string; id: string; event: RunEvent; isSent: boolean }
		indexes: { run: string }
	}
	photos: {
		key: [run: string, id: string]
		value: KeptPhoto & { isSent: boolean }
		indexes: { run: string }
	}
	names: { key: string; value: string }
}

/** A photo that was taken here. */
export interface KeptPhoto {
	/** Address of the run. */
	run: string
	id: string
	/** JPEG, shrunk. */
	blob: Blob
}

export interface KeptEvents {
	events: RunEvent[]
	/** Ids of those that no server has. */
	unsent: ReadonlySet<string>
}

export class RunStore {
	readonly #opening: Promise<IDBPDatabase<RunsSchema>>

	/** @param studioId - whoever signs in here from another studio sees none of it, and who comes back finds it */
	constructor(studioId: number) {
		this.#opening = openDB<RunsSchema>(`calycine-runs-${studioId}`, 1, {
			upgrade: (database) => {
				for (const name of ['events', 'photos'] as const)
					database.createObjectStore(name, { keyPath: ['run', 'id'] }).createIndex('run', 'run')
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
		const database = await this.#opening
		await Promise.all([database.clear('events'), database.clear('photos')])
	}

	async keepPhoto(photo: KeptPhoto, isSent: boolean): Promise<void> {
		await (await this.#opening).put('photos', { ...photo, isSent })
	}

	async photo(run: string, id: string): Promise<Blob | undefined> {
		return (await (await this.#opening).get('photos', [run, id]))?.blob
	}

	/** Those that no server has. @param run - absent: of all runs */
	async unsentPhotos(run?: string): Promise<KeptPhoto[]> {
		const database = await this.#opening
		const rows =
			run === undefined ? await database.getAll('photos') : await database.getAllFromIndex('photos', 'run', run)
		return rows.filter(({ isSent }) => !isSent)
	}

	/** On the disk when it is done, not only on its way there. */
	async keep(run: string, events: readonly RunEvent[], isSent: boolean): Promise<void> {
		const database = await this.#opening
		const transaction = database.transaction('events', 'readwrite', { durability: 'strict' })
		for (const event of events) void transaction.store.put({ run, id: event.id, event, isSent })
		await transaction.done
	}
}

/** What a run needs of it. */
export type EventStore = Pick<RunStore, 'deviceName' | 'read' | 'keep' | 'keepPhoto' | 'unsentPhotos'>

/** Of a phone that only looks on. */
export const NO_STORE: EventStore = {
	deviceName: () => Promise.resolve(randomId()),
	read: () => Promise.resolve({ events: [], unsent: new Set<string>() }),
	keep: () => Promise.resolve(),
	keepPhoto: () => Promise.resolve(),
	unsentPhotos: () => Promise.resolve([]),
}
