import { useState } from 'react'
import { updateStudio } from '../../../../db/repositories/accounts.server'
import { LinkButton } from '../../../shared/components/link-button'
import { SheetForm } from '../../../shared/components/sheet-form'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { studioSchema, type StudioInput } from '../../schemas/studio'
import type { Route } from './+types/route'
import { DryingFields } from './drying-fields'
import { HouseFields } from './house-fields'
import { KitFields } from './kit-fields'
import { PrepFields } from './prep-fields'
import { StrainFields } from './strain-fields'

export function meta() {
	return [{ title: 'Studio · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const { id: _, leavingAt: __, ...settings } = context.get(memberContext).studio
	return settings
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const settings = await readBody(request, studioSchema)
		await updateStudio({ id: context.get(memberContext).studio.id, ...settings })
		return { saved: settings.version + 1 }
	})
}

/** What holds for every course of the studio. */
export default function StudioPage({ loaderData: studio }: Route.ComponentProps) {
	const [isDirty, setDirty] = useState(false)
	const state = useSchemaForm<StudioInput>({
		schema: studioSchema,
		toBody: (values) => ({ ...values, version: studio.version }),
		onSaved: () => setDirty(false),
	})
	useLeaveGuard(isDirty && !state.isSaving)
	return (
		<>
			<div className="page-head">
				<h1>Studio</h1>
				<LinkButton to="/people">People</LinkButton>
				<LinkButton to="/studio/copy">Copy of it</LinkButton>
				<LinkButton to="/studio/leave" type="text">
					Delete this studio
				</LinkButton>
			</div>
			<SheetForm state={state} initial={studio} saveLabel="Save" isDirty={isDirty} onChange={() => setDirty(true)}>
				<HouseFields />
				<DryingFields />
				<StrainFields />
				<KitFields />
				<PrepFields />
			</SheetForm>
		</>
	)
}
