import { object } from 'yup'

/** Nothing beside the picture. */
export const runPhotoSchema = object({}).noUnknown()
