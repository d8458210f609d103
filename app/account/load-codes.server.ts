import { toString as drawQr } from 'qrcode'
import { getBegunCodes, getCodeSetting } from '../../db/repositories/one-time-codes.server'

/** Whether somebody is asked for codes, and what she needs to begin with them. */
export async function loadCodes(userId: number, email: string) {
	const begun = await getBegunCodes(userId, email)
	return {
		...(await getCodeSetting(userId)),
		...(begun && { begun: { secret: begun.secret, picture: await drawQr(begun.uri, { type: 'svg', margin: 1 }) } }),
	}
}

export type Codes = Awaited<ReturnType<typeof loadCodes>>
