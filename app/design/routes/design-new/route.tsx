import { Button, Input } from 'antd'
import { Form, redirect, useNavigation } from 'react-router'
import { freshId, slugOf } from '../../../../core/design/edits/fresh-id'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { designFromSkeleton, SKELETONS } from '../../../../core/design/skeletons/skeletons'
import { InputError } from '../../../../core/errors'
import { inTransaction } from '../../../../db/connection.server'
import { createDesign, getDesign, listDesignOptions } from '../../../../db/repositories/designs.server'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { newDesignSchema } from '../../schemas/new-design'
import type { Route } from './+types/route'
import './design-new.css'

export function meta() {
	return [{ title: 'New design · Calycine' }]
}

export async function loader({ request, context }: Route.LoaderArgs) {
	const designs = await listDesignOptions(context.get(memberContext).studio.id)
	const like = designs.find(({ slug }) => slug === new URL(request.url).searchParams.get('like'))
	return {
		like: like && { slug: like.slug, name: like.name },
		designs: designs.map(({ slug, name }) => ({ slug, name })),
		skeletons: SKELETONS.map(({ id, name, description, design }) => {
			const { parts, layers, bestView } = resolveDesign(
				{ format: 'calycine-design', formatVersion: 1, id, name, ...design },
				{},
			)
			return { id, name, description, picture: { name, parts, layers, ...(bestView && { bestView }) } }
		}),
	}
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const { name, from } = await readBody(request, newDesignSchema)
		const taken = await listDesignOptions(studio.id)
		const id = freshId(
			slugOf(name),
			taken.map(({ slug }) => ({ id: slug })),
		)
		const [kind, source = ''] = from.split(':')
		const design =
			kind === 'like'
				? { ...(await getDesign(studio.id, source)).document, id, name }
				: designFromSkeleton(source, { id, name })
		if (!design) throw new InputError([{ path: 'from', message: 'Choose what to start from' }])
		await inTransaction((transaction) => createDesign(studio.id, design, transaction))
		return redirect(`/designs/${id}/edit`)
	})
}

export default function NewDesign({ loaderData: { like, designs, skeletons }, actionData }: Route.ComponentProps) {
	const problems = actionData && 'problems' in actionData ? actionData.problems : []
	const problemOf = (field: string) => problems.find(({ path }) => path === field)?.message
	return (
		<>
			<div className="page-head">
				<h1>New design</h1>
				<p className="soft">Start from something like it; change it from there.</p>
			</div>
			<Form method="post" className="sheet stack design-new">
				<div>
					<label htmlFor="name">Name</label>
					<Input
						id="name"
						name="name"
						maxLength={80}
						autoFocus
						{...(like && { defaultValue: `${like.name}, another` })}
					/>
					{problemOf('name') && (
						<p className="field-problem" role="alert">
							{problemOf('name')}
						</p>
					)}
				</div>
				<fieldset>
					<legend>Start from</legend>
					{problemOf('from') && (
						<p className="field-problem" role="alert">
							{problemOf('from')}
						</p>
					)}
					<div className="skeletons">
						{skeletons.map(({ id, name, description, picture }, s) => (
							<label key={id} className="skeleton">
								<input type="radio" name="from" value={`skeleton:${id}`} defaultChecked={!like && s === 0} />
								<FlowerPicture design={picture} size={110} />
								<span>
									<strong>{name}</strong>
									<span className="soft small">{description}</span>
								</span>
							</label>
						))}
						{(like ? [like] : designs.slice(0, 12)).map(({ slug, name }) => (
							<label key={slug} className="skeleton">
								<input type="radio" name="from" value={`like:${slug}`} defaultChecked={like?.slug === slug} />
								<img src={`/designs/${slug}/picture.svg`} width={110} height={110} alt="" loading="lazy" />
								<span>
									<strong>Like “{name}”</strong>
									<span className="soft small">with all its parts and steps</span>
								</span>
							</label>
						))}
					</div>
				</fieldset>
				<div>
					<Button type="primary" htmlType="submit" loading={useNavigation().state !== 'idle'}>
						Start
					</Button>
				</div>
			</Form>
		</>
	)
}
