import { object, string } from 'yup'

export const knownPeopleActions = {
	/** Everything of one who comes to class. */
	forget: object({ person: string().required().max(80) }).noUnknown(),
}
