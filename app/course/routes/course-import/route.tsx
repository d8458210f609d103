import { InboxOutlined } from '@ant-design/icons'
import { Upload } from 'antd'
import { useState } from 'react'
import { redirect, useFetcher } from 'react-router'
import { FileProblems } from '../../../shared/components/file-problems'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import type { Refusal } from '../../../shared/http/refusal'
import { acting } from '../../../shared/http/responses.server'
import { importCourse } from '../../import-course.server'
import { importCourseSchema, LARGEST_COURSE_FILE } from '../../schemas/share-course'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'A course from a file · Calycine' }]
}

/** A file in a JSON text: quotation marks and line ends take two characters. */
const LARGEST_BODY = 1.2 * LARGEST_COURSE_FILE

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { text } = await readBody(request, importCourseSchema, { maxBytes: LARGEST_BODY })
		const id = await importCourse(context.get(memberContext).studio, text)
		return redirect(`/courses/${id}/plan`)
	})
}

/** A course that was handed on as a file: taken in with its designs, what was settled, and its plan. */
export default function ImportCourse() {
	const fetcher = useFetcher<Refusal>()
	const [tooLarge, setTooLarge] = useState<string>()
	const send = async (file: File) => {
		setTooLarge(undefined)
		if (file.size > LARGEST_COURSE_FILE) return setTooLarge(`${file.name} is too large: at most 4 MB are taken.`)
		const text = await file.text()
		return fetcher.submit(JSON.stringify({ text }), { method: 'post', encType: 'application/json' })
	}
	const problems = tooLarge ? [{ path: '', message: tooLarge }] : (fetcher.data?.problems ?? [])
	return (
		<>
			<div className="page-head">
				<h1>A course from a file</h1>
				<p className="soft">
					As Calycine writes it (Prepare, Papers: the course as a file). Designs that you have already are used, others
					come into your book; rooms are those of yours with the same name. People that the file names come along.
				</p>
			</div>
			<Upload.Dragger
				accept=".json,application/json"
				showUploadList={false}
				disabled={fetcher.state !== 'idle'}
				beforeUpload={(file) => {
					void send(file)
					// Read here, and never sent by the library.
					return false
				}}
			>
				<InboxOutlined aria-hidden /> <strong>Drop a file here, or choose one</strong>
			</Upload.Dragger>
			<div aria-live="polite" className="stack">
				{fetcher.state !== 'idle' && <p>Taking it in, and looking at its plan…</p>}
				<FileProblems problems={problems} />
			</div>
		</>
	)
}
