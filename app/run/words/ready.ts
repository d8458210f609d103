/** Whether a device is ready for class, in words. */
import { READY_CHECKS, type Readiness, type ReadyCheck } from '../offline/ready-for-class'
import { count } from '../../shared/words/times'

interface ReadyWords {
	/** When it is there. */
	there: string
	/** When it is not: what follows, and what to do. */
	missing: string
}

export const READY_WORDS: Record<ReadyCheck, ReadyWords> = {
	secure: {
		there: 'The address is secure',
		missing:
			'The address is neither this machine’s own nor HTTPS: the browser keeps no pages. Open Calycine by its HTTPS address.',
	},
	worker: {
		there: 'The app is kept on this device',
		missing: 'The app could not be kept on this device. Open this page once more with a good network.',
	},
	pages: {
		there: 'Tablet, wall, plan and kits open without a network',
		missing: 'Not all pages of this course could be kept. Open this page once more with a good network.',
	},
	room: {
		there: 'There is room for what is pressed',
		missing: 'This device is nearly full. Clear some room on it.',
	},
	storage: {
		there: 'The browser promises to keep it',
		missing:
			'The browser may clear it when the device is short of room. Most browsers promise once a page is a favourite or on the home screen.',
	},
	awake: {
		there: 'The screen stays on while you teach',
		missing: 'This browser cannot keep the screen on: set the device so that it does not sleep.',
	},
}

/** Nothing may be done without these; the others are said and can be lived with. */
const NEEDED: readonly ReadyCheck[] = ['secure', 'worker', 'pages', 'room']

/** 'Ready for class, with or without a network', or what is missing. */
export function readyHeadline(readiness: Readiness): string {
	if (NEEDED.some((check) => !readiness[check])) return 'Not ready to go without a network'
	const open = READY_CHECKS.filter((check) => !readiness[check]).length
	return open === 0 ? 'Ready for class, with or without a network' : `Ready for class; ${count(open, 'thing')} to know`
}
