/** "Dry by when?": one piece, one place, one moment, and how sure it is. */
import { UndoOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { useDeferredValue } from 'react'
import { redirect } from 'react-router'
import { createDryingNote, deleteDryingNote } from '../../../../db/repositories/drying-notes.server'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { dryingNoteActions } from '../../schemas/drying-note'
import type { Route } from './+types/route'
import { AnswerHeadline } from './answer-headline'
import { DryingDetails } from './drying-details'
import { describeNote, loadDrying } from './load-drying.server'
import { PieceFields } from './piece-fields'
import { PlaceFields } from './place-fields'
import { useDrying } from './use-drying'
import './drying.css'

export function meta() {
	return [{ title: 'Dry by when? · Calycine' }]
}

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(() => loadDrying(context.get(memberContext).studio, new URL(request.url).searchParams))
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const input = await readIntent(request, dryingNoteActions)
		const { search, searchParams } = new URL(request.url)
		if (input.intent === 'forget') await deleteDryingNote(studio.id, input.id)
		else {
			const { notReadyHours, readyHours } = input
			const about = await describeNote(studio, searchParams)
			const ready = readyHours === undefined ? {} : { readyHours }
			await createDryingNote(studio.id, { ...about, notReadyHours, ...ready })
		}
		return redirect(`/drying${search}`)
	})
}

/** One piece, one place, one moment, and how sure it is. */
export default function DryingPage({ loaderData }: Route.ComponentProps) {
	// A new address from outside (a link, the back button) is a new question.
	const key = JSON.stringify([loaderData.address, loaderData.belief])
	return <DryingBench key={key} data={loaderData} />
}

function DryingBench({ data }: { data: Route.ComponentProps['loaderData'] }) {
	const drying = useDrying(data)
	const { answered, problems } = drying
	// The answer stands before what explains it.
	const later = useDeferredValue(answered)
	return (
		<>
			<div className="page-head">
				<h1>Dry by when?</h1>
				<p className="soft">{drying.address.what ?? 'A piece, a place, a moment: how sure is it?'}</p>
			</div>
			<div className="drying-bench">
				<form
					method="get"
					action="/drying"
					className="sheet drying-question"
					onSubmit={(event) => event.preventDefault()}
				>
					{problems.length > 0 && (
						<div className="alert" role="alert">
							{problems.map(({ path, message }) => (
								<p key={path}>{message}</p>
							))}
						</div>
					)}
					{drying.undo && (
						<Button size="small" className="drying-undo" icon={<UndoOutlined aria-hidden />} onClick={drying.undo}>
							Undo
						</Button>
					)}
					<PieceFields drying={drying} data={data} />
					<PlaceFields drying={drying} data={data} />
					<noscript>
						<Button type="primary" htmlType="submit">
							Look
						</Button>
					</noscript>
				</form>
				<div className="stack">
					{answered && (
						<>
							<AnswerHeadline {...answered} />
							{later && (
								<DryingDetails answered={later} change={drying.change} askWorker={drying.askWorker} data={data} />
							)}
						</>
					)}
				</div>
			</div>
		</>
	)
}
