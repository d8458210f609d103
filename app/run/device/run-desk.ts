/**
 * A run on one device: what is pressed is kept here first and shown at once, then sent; what others pressed comes in by
 * itself. Without a network, without a server, after a reload, it goes on where it was.
 */
import { EventWriter, mergeEvents, type RunEvent, type RunFact } from '../../../core/run/run-event'
import { randomId } from './random-id'
import type { EventStore } from './run-store'
import { MOST_SENT, sendEvents, sendPhoto, type KnownOnServer } from './send-events'

export interface DeskState {
	/** What the device has kept is known, and what is pressed is taken. */
	isReady: boolean
	/** Merged, in order. */
	events: readonly RunEvent[]
	/** Pressed here, and not yet with the server. */
	unsentCount: number
	/** The last try to reach the server did not. */
	isCutOff: boolean
	/** Undefined, or why nothing can be kept on this device: what is pressed is lost with the page. */
	trouble: string | undefined
}

interface DeskTerms {
	/** Address of the run, without a slash at its end: its door is `…/events`, its stream `…/stream`. */
	address: string
	known: KnownOnServer
	store: EventStore
}

const SOON_MS = 60
const RETRY_MS = 4_000

export class RunDesk {
	readonly #address: string
	readonly #store: DeskTerms['store']
	readonly #listeners = new Set<() => void>()
	readonly #channel: BroadcastChannel
	#state: DeskState
	#unsent = new Map<string, RunEvent>()
	#writer: EventWriter | undefined
	#cursor: number
	#stream: EventSource | undefined
	#timer: ReturnType<typeof setTimeout> | undefined
	#isSending = false
	/** Some may not be with the server yet. */
	#hasPhotos = true
	#isClosed = false

	constructor({ address, known, store }: DeskTerms) {
		this.#address = address
		this.#store = store
		this.#cursor = known.cursor
		this.#state = {
			isReady: false,
			events: mergeEvents(known.events),
			unsentCount: 0,
			isCutOff: false,
			trouble: undefined,
		}
		this.#channel = new BroadcastChannel(`calycine ${address}`)
	}

	readonly subscribe = (listener: () => void) => {
		this.#listeners.add(listener)
		return () => void this.#listeners.delete(listener)
	}

	readonly read = (): DeskState => this.#state

	/** Takes up what the device has kept, and listens. */
	async open(): Promise<void> {
		let device = randomId()
		try {
			device = await this.#store.deviceName()
			const kept = await this.#store.read(this.#address)
			this.#unsent = new Map(kept.events.filter(({ id }) => kept.unsent.has(id)).map((event) => [event.id, event]))
			this.#show({ events: mergeEvents(this.#state.events, kept.events) })
		} catch {
			this.#show({
				trouble: 'This browser keeps nothing on the device: what is pressed without a network is lost with the page.',
			})
		}
		// Closed while it was being opened.
		if (this.#isClosed) return
		this.#writer = new EventWriter({ runId: this.#address, device }, this.#state.events, randomId)
		this.#channel.onmessage = ({ data }: MessageEvent<RunEvent[]>) => this.#take(data)
		addEventListener('online', this.#soon)
		this.#show({ isReady: true })
		this.#listen()
		this.#soon()
	}

	close(): void {
		this.#isClosed = true
		this.#stream?.close()
		this.#channel.close()
		clearTimeout(this.#timer)
		removeEventListener('online', this.#soon)
	}

	/**
	 * Something was pressed: shown at once, kept, then sent.
	 *
	 * @param when - it was, ms since 1970; absent: now
	 */
	readonly write = (fact: RunFact, when?: number): RunEvent | undefined => {
		const event = this.#writer?.write(fact, Date.now(), when)
		if (!event) return undefined
		this.#unsent.set(event.id, event)
		this.#show({ events: mergeEvents(this.#state.events, [event]) })
		this.#channel.postMessage([event])
		this.#keep([event], false)
		this.#soon()
		return event
	}

	/** A note with a photo, which is kept here first and sent by itself. */
	readonly notePhoto = async (text: string, blob: Blob): Promise<void> => {
		const id = randomId()
		await this.#store.keepPhoto({ run: this.#address, id, blob }, false)
		this.#hasPhotos = true
		this.write({ type: 'note', text, photo: id })
	}

	#listen(): void {
		const stream = new EventSource(`${this.#address}/stream?after=${this.#cursor}`)
		stream.onmessage = ({ data }) => this.#learn(JSON.parse(String(data)) as KnownOnServer)
		stream.onerror = () => this.#show({ isCutOff: true })
		stream.onopen = () => {
			this.#show({ isCutOff: false })
			this.#soon()
		}
		this.#stream = stream
	}

	/** From the server. */
	#learn({ events, cursor }: KnownOnServer): void {
		this.#cursor = Math.max(this.#cursor, cursor)
		for (const { id } of events) this.#unsent.delete(id)
		this.#keep(events, true)
		this.#take(events)
	}

	#take(events: readonly RunEvent[]): void {
		this.#writer?.see(events)
		this.#show({ events: mergeEvents(this.#state.events, events) })
	}

	#keep(events: readonly RunEvent[], isSent: boolean): void {
		if (events.length === 0) return
		this.#store.keep(this.#address, events, isSent).catch(() => {
			this.#show({ trouble: 'The device has no room to keep this: leave the page open until all is sent.' })
		})
	}

	readonly #soon = (): void => {
		clearTimeout(this.#timer)
		this.#timer = setTimeout(() => void this.#send(), SOON_MS)
	}

	async #send(): Promise<void> {
		if (this.#isSending || this.#isClosed || (this.#unsent.size === 0 && !this.#hasPhotos)) return
		this.#isSending = true
		try {
			if (this.#unsent.size > 0) await this.#sendSome()
			if (this.#unsent.size === 0) await this.#sendPhotos()
			this.#show({ isCutOff: false })
			if (this.#unsent.size > 0) this.#soon()
		} catch {
			this.#show({ isCutOff: true })
			if (!this.#isClosed) this.#timer = setTimeout(() => void this.#send(), RETRY_MS)
		} finally {
			this.#isSending = false
		}
	}

	async #sendSome(): Promise<void> {
		const sent = [...this.#unsent.values()].slice(0, MOST_SENT)
		const known = await sendEvents(this.#address, sent, this.#cursor)
		for (const { id } of sent) this.#unsent.delete(id)
		this.#keep(sent, true)
		this.#learn(known)
	}

	/** What was said comes first: they are large. */
	async #sendPhotos(): Promise<void> {
		for (const photo of await this.#store.unsentPhotos(this.#address)) {
			await sendPhoto(photo)
			await this.#store.keepPhoto(photo, true)
		}
		this.#hasPhotos = false
	}

	#show(change: Partial<DeskState>): void {
		this.#state = { ...this.#state, ...change, unsentCount: this.#unsent.size }
		for (const listener of this.#listeners) listener()
	}
}
