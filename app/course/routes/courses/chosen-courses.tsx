import { DeleteOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { useSubmit } from 'react-router'
import type { CourseSummary } from '../../../../db/repositories/course-list.server'
import { count } from '../../../shared/words/times'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'

type Answer = { deleted: number; asked: number } | { refused: true; message: string } | undefined

const MOST_NAMED = 5

/** What can be done with the courses that are chosen, and what has been done. */
export function ChosenCourses({
	courses,
	answer,
	onDone,
}: {
	courses: readonly CourseSummary[]
	answer: unknown
	onDone: () => void
}) {
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const said = answer as Answer
	const askToDelete = () =>
		ask({
			title: `Delete ${count(courses.length, 'course')}?`,
			content: `${namesOf(courses)}: with their plans, people and ticks. This cannot be undone.`,
			doIt: 'Delete',
			keep: 'Keep them',
			onDo: () => {
				const listed = courses.map(({ id, version }) => ({ id, version }))
				onDone()
				return submit(JSON.stringify({ intent: 'delete', courses: listed }), {
					method: 'post',
					encType: 'application/json',
				})
			},
		})
	return (
		<div aria-live="polite">
			{courses.length > 0 && (
				<div className="chosen-bar row">
					<strong>{count(courses.length, 'course')} chosen</strong>
					<Button danger icon={<DeleteOutlined aria-hidden />} onClick={askToDelete}>
						Delete
					</Button>
					<Button type="link" onClick={onDone}>
						Choose none
					</Button>
				</div>
			)}
			{said && courses.length === 0 && <p className="told">{answerWords(said)}</p>}
		</div>
	)
}

function namesOf(courses: readonly CourseSummary[]): string {
	const rest = courses.length - MOST_NAMED
	const named = courses.slice(0, MOST_NAMED).map(({ name }) => name)
	return [...named, ...(rest > 0 ? [`${rest} more`] : [])].join(', ')
}

function answerWords(said: NonNullable<Answer>): string {
	if ('refused' in said) return said.message
	const { deleted, asked } = said
	const kept = asked - deleted
	return `${count(deleted, 'course')} deleted${kept > 0 ? `; ${kept} had been changed meanwhile and stayed` : ''}.`
}
