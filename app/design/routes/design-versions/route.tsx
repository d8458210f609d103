/** Every version of a design that is kept: what each changed, and the way back to one. */
import { Button } from 'antd'
import { Form, Link, redirect } from 'react-router'
import { number, object } from 'yup'
import { compareDesigns } from '../../../../core/design/design-differences'
import { inTransaction } from '../../../../db/connection.server'
import { getDesign, listDesignVersions, updateDesign } from '../../../../db/repositories/designs.server'
import { DifferenceList } from '../../components/difference-list/difference-list'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { wallTimeOf } from '../../../shared/http/studio-clock.server'
import { rowVersion } from '../../../shared/schemas/row-version'
import { momentWords } from '../../../shared/words/times'
import type { Route } from './+types/route'
import { Disclosure } from '../../../shared/native/disclosure'
import './design-versions.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `Versions of ${loaderData?.name ?? 'a design'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const versions = await listDesignVersions(studio.id, params.slug)
		const [newest] = versions
		return {
			slug: params.slug,
			name: newest?.document.name ?? params.slug,
			newest: newest?.version ?? 0,
			versions: versions.map(({ version, createdAt, document }, v) => {
				const before = versions[v + 1]?.document
				return {
					version,
					madeAt: wallTimeOf(createdAt, studio.timeZone),
					differences: before && compareDesigns(before, document),
					/** What taking it back would change. */
					back: newest && v > 0 ? compareDesigns(newest.document, document) : undefined,
				}
			}),
		}
	})
}

const backSchema = object({
	version: rowVersion(),
	/** Which one is taken back. */
	back: number().required().integer().min(1),
}).noUnknown()

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		await getDesign(studio.id, params.slug)
		const { version, back } = await readBody(request, backSchema)
		const { document } = await getDesign(studio.id, params.slug, back)
		await inTransaction((transaction) => updateDesign(studio.id, document, version, transaction))
		return redirect(`/designs/${params.slug}/versions`)
	})
}

/** Every version that was saved, with what changed, and a way back to each. */
export default function DesignVersions({ loaderData, actionData }: Route.ComponentProps) {
	const { slug, name, newest, versions } = loaderData
	return (
		<>
			<div className="page-head">
				<h1>Versions of {name}</h1>
				<Link to={`/designs/${slug}`} className="push">
					Back to the design
				</Link>
			</div>
			{actionData && 'message' in actionData && (
				<p className="alert" role="alert">
					{actionData.message}
				</p>
			)}
			<ol className="stack version-list">
				{versions.map((kept) => (
					<li key={kept.version} className="sheet stack">
						<KeptVersion kept={kept} newest={newest} />
					</li>
				))}
			</ol>
		</>
	)
}

type Kept = Route.ComponentProps['loaderData']['versions'][number]

function KeptVersion({ kept: { version, madeAt, differences, back }, newest }: { kept: Kept; newest: number }) {
	return (
		<>
			<div className="row">
				<h2>Version {version}</h2>
				<span className="soft">
					{momentWords(madeAt)}
					{version === newest && ', the one in your book'}
				</span>
			</div>
			{!differences && <p className="soft">The first that is kept.</p>}
			{differences?.length === 0 && <p>The same as the one before, word for word.</p>}
			{differences && differences.length > 0 && <DifferenceList differences={differences} />}
			{back && back.length > 0 && (
				<Disclosure head="Take this version back">
					<p>It becomes the newest; the ones since stay here. Against the one in your book:</p>
					<DifferenceList differences={back} />
					<Form method="post">
						<input type="hidden" name="version" value={newest} />
						<input type="hidden" name="back" value={version} />
						<Button htmlType="submit">Take version {version} back</Button>
					</Form>
				</Disclosure>
			)}
		</>
	)
}
