import { DownloadOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { useSubmit } from 'react-router'
import { CsvFile } from '../../../shared/components/csv-file'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import { FileLink } from '../../../shared/components/file-link'

/** The people as a file, from a file, and forgotten at once. */
export function PeopleFiles({
	courseId,
	version,
	hasPeople,
	problems,
}: {
	courseId: number
	/** Of the list as it is shown. */
	version: number
	hasPeople: boolean
	problems: string[]
}) {
	const ask = useAskBeforeLoss()
	const send = useSubmit()
	const askToForget = () =>
		ask({
			title: 'Forget everybody of this course?',
			content: 'Names, allergies and notes are deleted for good. What is planned and packed stays.',
			doIt: 'Forget them',
			keep: 'Keep them',
			onDo: () => void send({ intent: 'forget', version }, { method: 'post' }),
		})
	const take = (text: string) => void send({ intent: 'import', text, version }, { method: 'post' })
	const takeFile = (text: string) => {
		if (!hasPeople) return take(text)
		ask({
			title: 'Replace everybody by those of the file?',
			content: 'Whoever is here and not in the file is forgotten.',
			doIt: 'Replace them',
			keep: 'Keep them',
			onDo: () => take(text),
		})
	}
	return (
		<section className="sheet people-files" aria-label="Files, and forgetting">
			<p className="soft">
				Only what a kit needs is kept here, on this machine. It is gone when the course is deleted, or at once:
			</p>
			<div className="row">
				<FileLink href={`/courses/${courseId}/files/people.csv`} icon={<DownloadOutlined aria-hidden />}>
					As a file (CSV)
				</FileLink>
				<CsvFile label="From a file…" onText={takeFile} />
				{hasPeople && (
					<Button danger onClick={askToForget}>
						Forget everybody
					</Button>
				)}
			</div>
			{problems.length > 0 && (
				<ul className="alert" role="alert">
					{problems.map((problem) => (
						<li key={problem}>{problem}</li>
					))}
				</ul>
			)}
		</section>
	)
}
