/** What of a class was only on one device, as a file: saved when its owner signed out, taken in from anywhere. */
import { array, object, string } from 'yup'
import { compareEvents, type RunEvent } from '../../../core/run/run-event'
import { MOST_SENT, sendEvents, sendPhoto } from '../device/send-events'
import type { Unsent } from './leave-device'

/** Marks a document as one. */
const FORMAT = 'calycine-class'
const RUN_ADDRESS = /^\/courses\/\d+\/run\/\d+$/

interface SavedClass {
	format: typeof FORMAT
	runs: { address: string; events: readonly RunEvent[] }[]
	/** JPEG, as a data address. */
	photos: { run: string; id: string; picture: string }[]
}

/** Of the events only the outline: their door reads them one by one. */
const savedClassSchema = object({
	format: string().required().oneOf([FORMAT]),
	runs: array(
		object({
			address: string().required().matches(RUN_ADDRESS),
			events: array(object({ id: string().required() })).required(),
		}),
	).required(),
	photos: array(
		object({
			run: string().required().matches(RUN_ADDRESS),
			id: string().required().max(36),
			picture: string()
				.required()
				.matches(/^data:image\/jpeg;base64,/),
		}),
	).required(),
})

export async function toSavedClass({ events, photos }: Unsent): Promise<SavedClass> {
	return {
		format: FORMAT,
		runs: [...events].map(([address, list]) => ({ address, events: list })),
		photos: await Promise.all(
			photos.map(async ({ run, id, blob }) => ({ run, id, picture: await toDataAddress(blob) })),
		),
	}
}

/** @throws {Error} the file is none of ours */
export async function readSavedClass(text: string): Promise<Unsent> {
	const document: unknown = JSON.parse(text)
	const saved = (await savedClassSchema.validate(document, { strict: true })) as unknown as SavedClass
	return {
		events: new Map(saved.runs.map(({ address, events }) => [address, events.toSorted(compareEvents)])),
		photos: saved.photos.map(({ run, id, picture }) => ({ run, id, blob: toBlob(picture) })),
	}
}

/**
 * Gives the server all of it; what it knows already it takes once.
 *
 * @returns how many events there were
 * @throws {Error} the server was not reached, or does not take them: they are of another studio, or of no course any more
 */
export async function takeInSaved({ events, photos }: Unsent): Promise<number> {
	let count = 0
	for (const [address, list] of events)
		for (let from = 0; from < list.length; from += MOST_SENT) {
			const part = list.slice(from, from + MOST_SENT)
			await sendEvents(address, part, Number.MAX_SAFE_INTEGER)
			count += part.length
		}
	for (const photo of photos) await sendPhoto(photo)
	return count
}

function toBlob(picture: string): Blob {
	const text = atob(picture.slice(picture.indexOf(',') + 1))
	return new Blob([Uint8Array.from(text, (letter) => letter.charCodeAt(0))], { type: 'image/jpeg' })
}

function toDataAddress(blob: Blob): Promise<string> {
	return new Promise((resolve, reject) => {
		const reader = new FileReader()
		reader.onload = () => resolve(reader.result as string)
		reader.onerror = () => reject(new Error('the photo could not be read'))
		reader.readAsDataURL(blob)
	})
}
