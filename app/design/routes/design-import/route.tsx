import { InboxOutlined } from '@ant-design/icons'
import { Button, Upload } from 'antd'
import { useState } from 'react'
import { redirect, useFetcher } from 'react-router'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { importActions, LARGEST_FILE } from '../../schemas/import-designs'
import { count } from '../../../shared/words/times'
import type { Route } from './+types/route'
import { FilePreview, type LookedAt } from './file-preview'
import { lookAtFile, takeFile } from './import-designs.server'
import './design-import.css'

export function meta() {
	return [{ title: 'Import designs · Calycine' }]
}

/** A file in a JSON text: quotation marks and line ends take two characters. */
const LARGEST_BODY = 1.2 * LARGEST_FILE

export function loader() {
	return { largestFile: LARGEST_FILE }
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const input = await readIntent(request, importActions, { maxBytes: LARGEST_BODY })
		if (input.intent === 'look') return { looked: await lookAtFile(studio.id, input.text) }
		await takeFile(studio.id, input)
		return redirect('/designs')
	})
}

/** Of the designs whose ids are taken, as they were looked at. */
function versionsOf(looked: readonly LookedAt[]): Record<string, number> {
	return Object.fromEntries(
		looked.flatMap((one) =>
			'takenVersion' in one && one.takenVersion !== undefined ? [[one.id, one.takenVersion]] : [],
		),
	)
}

interface Answer {
	looked?: LookedAt[]
	refused?: true
	message?: string
	problems?: { path: string; message: string }[]
}

/** A file with designs: looked at first, taken in then. */
export default function ImportDesigns({ loaderData: { largestFile } }: Route.ComponentProps) {
	const fetcher = useFetcher<Answer>()
	const [file, setFile] = useState<{ name: string; text: string }>()
	const [localProblem, setLocalProblem] = useState<string>()
	const send = (body: object) =>
		void fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' })
	const read = async (chosen: File) => {
		if (chosen.size > largestFile) {
			setFile(undefined)
			return setLocalProblem(`${chosen.name} has ${Math.round(chosen.size / 1e6)} MB; at most 4 MB are taken.`)
		}
		setLocalProblem(undefined)
		const text = await chosen.text()
		setFile({ name: chosen.name, text })
		send({ intent: 'look', text })
	}
	const problems = localProblem ? [{ path: '', message: localProblem }] : (fetcher.data?.problems ?? [])
	const looked = localProblem ? undefined : fetcher.data?.looked
	return (
		<>
			<div className="page-head">
				<h1>Import designs</h1>
				<p className="soft">
					Files in the form that <a href="/schemas/design.schema.json">this schema</a> describes: one design, or a book
					of them.
				</p>
			</div>
			<Upload.Dragger
				className="import-drop"
				accept=".json,application/json"
				showUploadList={false}
				beforeUpload={(chosen) => {
					void read(chosen)
					// Read here, and never sent by the library.
					return false
				}}
			>
				<InboxOutlined aria-hidden /> <strong>Drop a file here, or choose one</strong>
			</Upload.Dragger>
			<div aria-live="polite" className="stack">
				{problems.length > 0 && <FileProblems problems={problems} />}
				{looked && file && (
					<LookedAtFile
						name={file.name}
						looked={looked}
						isBusy={fetcher.state !== 'idle'}
						onTake={(terms) => send({ intent: 'take', text: file.text, ...terms })}
					/>
				)}
			</div>
		</>
	)
}

function FileProblems({ problems }: { problems: readonly { path: string; message: string }[] }) {
	return (
		<section className="alert">
			<h2>This file cannot be taken in</h2>
			<ul>
				{problems.map(({ path, message }, p) => (
					<li key={p}>
						{path && <code>{path}</code>} {message}
					</li>
				))}
			</ul>
		</section>
	)
}

/** What is in the file, and how it may be taken in. */
function LookedAtFile({
	name,
	looked,
	isBusy,
	onTake,
}: {
	name: string
	looked: readonly LookedAt[]
	isBusy: boolean
	onTake: (terms: { onTaken: 'both' | 'replace'; versions?: Record<string, number> }) => void
}) {
	const whole = looked.filter((one) => !('problems' in one)).length
	const versions = versionsOf(looked)
	const isTaken = Object.keys(versions).length > 0
	return (
		<>
			<h2>
				{name}: {count(looked.length, 'design')}
			</h2>
			{looked.map((one, l) => (
				<FilePreview key={l} looked={one} />
			))}
			{isTaken && <p className="soft">Some of these ids are in your book already.</p>}
			<div className="row">
				{whole > 0 && (
					<Button type="primary" loading={isBusy} onClick={() => onTake({ onTaken: 'both' })}>
						Take in {count(whole, 'design')}
						{isTaken && ', beside those there are'}
					</Button>
				)}
				{isTaken && (
					<Button onClick={() => onTake({ onTaken: 'replace', versions })}>
						Take as new versions of those there are
					</Button>
				)}
			</div>
		</>
	)
}
