import { object, string, type InferType } from 'yup'

export const signInSchema = object({
	email: string()
		.trim()
		.required('Type your e-mail address')
		.email('This does not look like an e-mail address')
		.max(190),
	password: string().required('Type your password').max(200, 'A password has at most 200 characters'),
})

export type SignInInput = InferType<typeof signInSchema>
