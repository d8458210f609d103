import { Button, Input, Radio } from 'antd'
import { useState } from 'react'
import { Form, redirect, useNavigation } from 'react-router'
import { freshId, slugOf } from '../../../../core/design/edits/fresh-id'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { DESIGN_FORMAT_VERSION, type Design } from '../../../../core/design/design'
import { designFromSkeleton, SKELETONS } from '../../../../core/design/skeletons/skeletons'
import { designFromParts } from '../../../../core/design/skeletons/usual-parts'
import { InputError } from '../../../../core/errors'
import { inTransaction } from '../../../../db/connection.server'
import { createDesign, getDesign, listDesignOptions } from '../../../../db/repositories/designs.server'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { memberContext } from '../../../shared/http/contexts'
import { problemsByField } from '../../../shared/http/refusal'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { newDesignSchema, partNames } from '../../schemas/new-design'
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
				{ format: 'calycine-design', formatVersion: DESIGN_FORMAT_VERSION, id, name, ...design },
				{},
			)
			return { id, name, description, picture: { name, parts, layers, ...(bestView && { bestView }) } }
		}),
	}
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const { name, from, parts } = await readBody(request, newDesignSchema)
		const taken = await listDesignOptions(studio.id)
		const id = freshId(
			slugOf(name),
			taken.map(({ slug }) => ({ id: slug })),
		)
		const design = await beginDesign({ studioId: studio.id, from, parts, id, name })
		if (!design) throw new InputError([{ path: 'from', message: 'Choose what to start from' }])
		await inTransaction((transaction) => createDesign(studio.id, design, transaction))
		return redirect(`/designs/${id}/edit`)
	})
}

/** @returns undefined where there is nothing of that kind to begin from */
async function beginDesign({
	studioId,
	from,
	parts,
	...called
}: {
	studioId: number
	from: string
	parts: string
	id: string
	name: string
}): Promise<Design | undefined> {
	const [kind, source = ''] = from.split(':')
	if (kind === 'parts') return designFromParts(called, partNames(parts))
	if (kind === 'like') return { ...(await getDesign(studioId, source)).document, ...called }
	return designFromSkeleton(source, called)
}

/** A design to begin: by the names of its parts, from a skeleton, or like another. */
export default function NewDesign({ loaderData: { like, designs, skeletons }, actionData }: Route.ComponentProps) {
	const problems = actionData && 'problems' in actionData ? actionData.problems : []
	const [from, setFrom] = useState(like ? `like:${like.slug}` : `skeleton:${skeletons[0]?.id}`)
	const problemOf = problemsByField(problems)
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
					{(problemOf('from') ?? problemOf('parts')) && (
						<p className="field-problem" role="alert">
							{problemOf('from') ?? problemOf('parts')}
						</p>
					)}
					<Radio.Group
						name="from"
						className="skeletons"
						value={from}
						onChange={({ target }) => setFrom(target.value as string)}
					>
						<Start value="parts" name="Its parts, by name" words="from the middle outwards, each with its usual steps">
							<Input.TextArea
								name="parts"
								rows={3}
								maxLength={1000}
								aria-label="Names of its parts, by commas"
								placeholder="centre, inner petals, outer petals, calyx, leaves"
								// Who only passes by with the keyboard has chosen nothing.
								onChange={({ target }) => target.value !== '' && setFrom('parts')}
							/>
						</Start>
						{skeletons.map(({ id, name, description, picture }) => (
							<Start key={id} value={`skeleton:${id}`} name={name} words={description}>
								<FlowerPicture design={picture} size={110} />
							</Start>
						))}
						{(like ? [like] : designs.slice(0, 12)).map(({ slug, name }) => (
							<Start key={slug} value={`like:${slug}`} name={`Like “${name}”`} words="with all its parts and steps">
								<img src={`/designs/${slug}/picture.svg`} width={110} height={110} alt="" loading="lazy" />
							</Start>
						))}
					</Radio.Group>
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

/** Something to begin from, with its picture. */
function Start({
	value,
	name,
	words,
	children,
}: {
	value: string
	name: string
	words: string
	children: React.ReactNode
}) {
	return (
		<Radio value={value} className="skeleton">
			{children}
			<span>
				<strong>{name}</strong>
				<span className="soft small">{words}</span>
			</span>
		</Radio>
	)
}
