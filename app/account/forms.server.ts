/** What the forms of accounts send. Only the server reads them: these pages work before and without scripts. */
import { mixed, object, string } from 'yup'
import { ROLES, type Role } from '../../core/vocabulary/role'
import type { GaugeStandard } from '../../core/materials/wire-gauge'
import { PAPERS, type PaperName } from '../../core/outlines/template-sheet'
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/materials/units'
import { isTimeZone } from '../../core/time/zone'
import { isCommonPassword } from './common-passwords.server'

const PASSWORD_LENGTH = { min: 12, max: 200 }

/** No rule but length and that not everybody has it (NIST SP 800-63B, from memory). */
const newPassword = () =>
	string()
		.required('Choose a password')
		.min(PASSWORD_LENGTH.min, `At least ${PASSWORD_LENGTH.min} characters: a few words do well`)
		.max(PASSWORD_LENGTH.max, `At most ${PASSWORD_LENGTH.max} characters`)
		.test('common', 'Too many people have this one', (value) => !isCommonPassword(value))

const oldPassword = () =>
	string().required('Type your password').max(PASSWORD_LENGTH.max, `At most ${PASSWORD_LENGTH.max} characters`)

const email = () =>
	string()
		.trim()
		.required('Type an e-mail address')
		.email('This does not look like an e-mail address')
		.max(190, 'At most 190 characters')

const personName = () => string().trim().required('Give a name').max(120, 'At most 120 characters')

export const forgotSchema = object({ email: email() }).noUnknown()

export const newPasswordSchema = object({ password: newPassword() }).noUnknown()

export const joinSchema = object({ name: personName(), password: newPassword() }).noUnknown()

export const setUpSchema = object({
	studioName: string().trim().required('Give the studio a name').max(120, 'At most 120 characters'),
	timeZone: string()
		.required('Choose a time zone')
		.max(60)
		.test('zone', 'There is no such time zone', (value) => isTimeZone(value)),
	units: mixed<UnitSystem>().oneOf(UNIT_SYSTEMS, 'Choose the units').required('Choose the units'),
	gaugeStandard: mixed<GaugeStandard>().oneOf(['swg', 'awg'], 'Choose a gauge table').required('Choose a gauge table'),
	paper: mixed<PaperName>()
		.oneOf(Object.keys(PAPERS) as PaperName[], 'Choose the sheets')
		.default('a4'),
	currency: string().trim().required('A sign, such as €').max(4, 'At most 4 characters'),
	name: personName(),
	email: email(),
	password: newPassword(),
}).noUnknown()

const role = () => mixed<Role>().oneOf(ROLES, 'Choose what she may').required('Choose what she may')
const id = () =>
	string()
		.required()
		.matches(/^[1-9]\d{0,9}$/, 'There is nobody of that name')

export const peopleActions = {
	invite: object({ email: email(), role: role() }).noUnknown(),
	withdraw: object({ id: id() }).noUnknown(),
	'set-role': object({ userId: id(), role: role() }).noUnknown(),
	remove: object({ userId: id() }).noUnknown(),
}

export const leaveActions = {
	leave: object({
		name: string().trim().required('Type the name of the studio').max(120),
		own: oldPassword(),
	}).noUnknown(),
	stay: object({}).noUnknown(),
}

export const codeSchema = object({
	code: string().trim().required('Type the code').max(40, 'A code has six digits'),
}).noUnknown()

export const accountActions = {
	rename: object({ name: personName() }).noUnknown(),
	'change-password': object({ before: oldPassword(), password: newPassword() }).noUnknown(),
	'end-device': object({ id: string().required().max(64) }).noUnknown(),
	'end-others': object({}).noUnknown(),
	'begin-codes': object({}).noUnknown(),
	'confirm-codes': codeSchema,
	'end-codes': object({ own: oldPassword() }).noUnknown(),
}
