/** Letters by e-mail: through the server that CALYCINE_SMTP_URL names, which the start sets to a stand-in where there is none. */
import { createTransport } from 'nodemailer'
import { UnavailableError } from '../../../core/errors'
import { log } from '../../shared/http/log.server'

export interface Letter {
	to: string
	subject: string
	/** Plain text. */
	text: string
}

/** So long for each of: to be let in, to be greeted, to be answered. */
const PATIENCE_MS = 5_000

/**
 * @throws {UnavailableError} it was not taken
 * @throws {Error} CALYCINE_SMTP_URL is not set
 */
export async function sendLetter({ to, subject, text }: Letter): Promise<void> {
	const url = process.env['CALYCINE_SMTP_URL']
	if (!url) throw new Error('CALYCINE_SMTP_URL is not set; `npm start` sets it')
	const patience = { connectionTimeout: PATIENCE_MS, greetingTimeout: PATIENCE_MS, socketTimeout: PATIENCE_MS }
	const transport = createTransport({ url, ...patience } as never)
	const from = process.env['CALYCINE_MAIL_FROM'] ?? 'Calycine <calycine@localhost>'
	try {
		await transport.sendMail({ from, to, subject, text })
	} catch (error) {
		throw new UnavailableError('The letter could not be sent just now.', { cause: error })
	} finally {
		transport.close()
	}
}

/** For letters of which the visitor is not to learn whether one was sent. */
export function sendQuietly(letter: Letter): void {
	void sendLetter(letter).catch((error: unknown) => log.error({ err: error }, 'a letter was not sent'))
}

/** An address of this server as letters name it. Never taken from a request: whoever sends one may write any host. */
export function addressOf(path: string): string {
	const origin = process.env['CALYCINE_ORIGIN']
	if (!origin) throw new Error('CALYCINE_ORIGIN is not set; `npm start` sets it')
	return new URL(path, origin).href
}
