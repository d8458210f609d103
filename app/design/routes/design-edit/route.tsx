import { mixed, object } from 'yup'
import { data } from 'react-router'
import { compareDesigns } from '../../../../core/design/design-differences'
import type { Design } from '../../../../core/design/design'
import { ConflictError, InputError } from '../../../../core/errors'
import { inTransaction } from '../../../../db/connection.server'
import { getDesign, updateDesign } from '../../../../db/repositories/designs.server'
import { readDraft } from '../../../../exchange/read-document'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { rowVersion } from '../../../shared/schemas/row-version'
import type { Route } from './+types/route'
import { DesignEditor } from './design-editor'
import './design-edit.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `Edit ${loaderData?.design.name ?? 'a design'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { document, version } = await getDesign(studio.id, params.slug)
		return {
			design: document,
			version,
			gaugeStandard: studio.gaugeStandard,
			ownPastes: studio.ownPastes,
			draftKey: `${studio.id} ${params.slug}`,
		}
	})
}

/** A design has some 200 kB. */
const LARGEST_DESIGN = 1024 * 1024

const changeSchema = object({
	document: mixed<object>().required(),
	version: rowVersion(),
}).noUnknown()

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const { document, version } = await readBody(request, changeSchema, { maxBytes: LARGEST_DESIGN })
		const design = readDraft(document)
		if (design.id !== params.slug)
			throw new InputError([{ path: '/id', message: 'The id of a design stays as it is.' }])
		try {
			return { saved: await inTransaction((transaction) => updateDesign(studio.id, design, version, transaction)) }
		} catch (error) {
			if (!(error instanceof ConflictError)) throw error
			// The second window is shown what the first one saved, and what the two say differently.
			const current = await getDesign(studio.id, params.slug)
			const differences = compareDesigns(current.document, design)
			return data(
				{ refused: true as const, message: error.message, problems: [], current, differences },
				{ status: 409 },
			)
		}
	})
}

/** A design in the editor, anew for each draft. */
export default function EditDesign({ loaderData }: Route.ComponentProps) {
	const { design, version, gaugeStandard, ownPastes, draftKey } = loaderData
	return (
		<DesignEditor
			key={draftKey}
			saved={design satisfies Design}
			version={version}
			gaugeStandard={gaugeStandard}
			ownPastes={ownPastes}
			draftKey={draftKey}
		/>
	)
}
