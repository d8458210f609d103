import { DownloadOutlined, InboxOutlined } from '@ant-design/icons'
import { Upload } from 'antd'
import { useState } from 'react'
import { redirect, useFetcher } from 'react-router'
import { object } from 'yup'
import { countStudents } from '../../../../db/repositories/students.server'
import { countStudioRows, isNothing } from '../../../../db/whole-studio/take-rows.server'
import { LARGEST_COPY } from '../../../../exchange/studio/studio-archive'
import { FileLink } from '../../../shared/components/file-link'
import { FileProblems } from '../../../shared/components/file-problems'
import { memberContext } from '../../../shared/http/contexts'
import { readUpload } from '../../../shared/http/read-input.server'
import type { Refusal } from '../../../shared/http/refusal'
import { acting, loading } from '../../../shared/http/responses.server'
import { readStudioCopy } from '../../read-copy.server'
import type { Route } from './+types/route'
import './studio-copy.css'

export function meta() {
	return [{ title: 'A copy of the studio · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	return loading(async () => {
		const { id, name } = context.get(memberContext).studio
		const [counts, people] = [await countStudioRows(id), await countStudents(id)]
		return { name, counts, people, isEmpty: isNothing(counts), largest: LARGEST_COPY }
	})
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { file } = await readUpload(request, object({}), { field: 'copy', maxBytes: LARGEST_COPY })
		await readStudioCopy(context.get(memberContext).studio.id, file)
		return redirect('/courses')
	})
}

/** The whole studio as one file, and such a file read into a studio in which nothing is yet. */
export default function StudioCopy({ loaderData: { name, counts, people, isEmpty, largest } }: Route.ComponentProps) {
	const most = `${Math.round(largest / 2 ** 20)} MB`
	const figures = [
		{ rows: counts.designs, one: 'design', many: 'designs' },
		{ rows: counts.courses, one: 'course', many: 'courses' },
		{ rows: counts.plans, one: 'plan', many: 'plans, old ones too' },
		{ rows: people, one: 'person', many: 'people' },
		{ rows: counts.observations, one: 'line of the log', many: 'lines of the log' },
		{ rows: counts.places, one: 'room or store', many: 'rooms and stores' },
		{ rows: counts.stockItems, one: 'thing on the shelf', many: 'things on the shelf' },
		{ rows: counts.photos, one: 'photo', many: 'photos' },
	].filter(({ rows }) => rows > 0)
	return (
		<>
			<div className="page-head">
				<h1>A copy of {name}</h1>
			</div>
			<div className="stack">
				{isEmpty ? (
					<ReadCopy largest={largest} />
				) : (
					<>
						<section className="sheet stack" aria-labelledby="copy-out">
							<h2 id="copy-out">Take everything with you</h2>
							<ul className="copy-counts">
								{figures.map(({ rows, one, many }) => (
									<li key={many}>
										<b>{rows}</b> {rows === 1 ? one : many}
									</li>
								))}
							</ul>
							<p className="copy-text">
								In one zip, with all that is settled, packed and ticked, readings, suppliers, and every class as it was
								taught. Another studio can read it back exactly, if it has no more than {most}. Beside that it holds
								designs, courses, log, shelf and lists of people in files that other programs read.
							</p>
							<p className="soft copy-text">
								It names people with what they must not eat: keep it where nobody else reads. Passwords, sign-ins and
								calendar links are not in it.
							</p>
							<div className="row">
								<FileLink
									href="/studio/copy/file"
									download
									type="primary"
									icon={<DownloadOutlined aria-hidden />}
									aria-label="Download the copy"
								>
									Download the copy
								</FileLink>
							</div>
						</section>
						<section className="sheet stack" aria-labelledby="copy-in">
							<h2 id="copy-in">Read a copy in</h2>
							<p className="copy-text">
								A copy is read into a studio in which nothing is yet, so that nothing is written over, and this one has
								something in it. Found another studio, open this page there, and give it the file.
							</p>
						</section>
					</>
				)}
			</div>
		</>
	)
}

function ReadCopy({ largest }: { largest: number }) {
	const fetcher = useFetcher<Refusal>()
	const [tooLarge, setTooLarge] = useState<string>()
	const send = (file: File) => {
		const most = Math.round(largest / 2 ** 20)
		setTooLarge(file.size > largest ? `${file.name} is too large: at most ${most} MB are taken.` : undefined)
		if (file.size > largest) return
		const form = new FormData()
		form.set('copy', file)
		void fetcher.submit(form, { method: 'post', encType: 'multipart/form-data' })
	}
	const told = fetcher.data?.problems ?? []
	const refused = told.length === 0 && fetcher.data ? [{ path: '', message: fetcher.data.message }] : told
	const problems = tooLarge ? [{ path: '', message: tooLarge }] : refused
	const isBusy = fetcher.state !== 'idle'
	return (
		<section className="sheet stack" aria-labelledby="copy-in">
			<h2 id="copy-in">Read a copy in</h2>
			<p className="copy-text">
				Nothing is in this studio yet. Give it the zip that another one wrote: everything of that studio is here then,
				with its name and its settings. Who signs in stays as it is.
			</p>
			<Upload.Dragger
				accept=".zip,application/zip"
				showUploadList={false}
				disabled={isBusy}
				beforeUpload={(file) => {
					send(file)
					// Sent here, and never by the library.
					return false
				}}
			>
				<InboxOutlined aria-hidden /> <strong>Drop a copy here, or choose one</strong>
			</Upload.Dragger>
			<div aria-live="polite" className="stack">
				{isBusy ? <p>Reading it, and looking through every row…</p> : <FileProblems problems={problems} />}
			</div>
		</section>
	)
}
