import { mixed, object } from 'yup'

/** How somebody wants the screens; what is absent follows the device. */
export interface Look {
	light?: 'day' | 'night'
	reach?: 'desk' | 'touch'
}

export const lookSchema = object({
	light: mixed<NonNullable<Look['light']>>().oneOf(['day', 'night']),
	reach: mixed<NonNullable<Look['reach']>>().oneOf(['desk', 'touch']),
}).noUnknown()
