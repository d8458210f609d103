/** Which version of a thing somebody has seen: said with every change, so that no window writes over another unseen. */
import { number, object } from 'yup'

/** Of an UNSIGNED column. */
const MOST = 4_294_967_295

export const rowId = () => number().integer('There is no such thing').min(1).max(MOST)

export const rowVersion = () => number().required('The page is too old: load it again').integer().min(1).max(MOST)

/** A deletion. */
export const versionSchema = object({ version: rowVersion() }).noUnknown()
