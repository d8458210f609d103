import { Button } from 'antd'
import { Form, useSubmit } from 'react-router'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import type { KnownStudent } from '../../../../db/repositories/student-speeds.server'
import { speedWords } from '../../words/log'
import { LinePress } from '../../../shared/components/line-press'

/** How fast people are who come again: only where somebody asks for it, and forgotten by one press. */
export function StudentsSheet({ students }: { students: readonly KnownStudent[] | undefined }) {
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const stop = () => {
		const send = () => void submit({ intent: 'learn-students', learns: 'false' }, { method: 'post' })
		if (students?.length === 0) return send()
		ask({
			title: 'Forget how fast everybody is?',
			content: 'What was learnt of each person is deleted for good, and nothing more is learnt.',
			doIt: 'Forget it',
			keep: 'Keep it',
			onDo: send,
		})
	}
	return (
		<section className="sheet stack" aria-labelledby="log-students">
			<h2 id="log-students">Who comes again</h2>
			<p className="soft">
				From whom you mark as done, on the tablet, her own pace can be learnt: rehearsals then play her at it. Of
				children nothing is ever learnt; it is on no paper, in no file but the studio’s own copy, and gone with one
				press.
			</p>
			{students === undefined ? (
				<Form method="post">
					<input type="hidden" name="learns" value="true" />
					<Button htmlType="submit" name="intent" value="learn-students">
						Learn it from now on
					</Button>
				</Form>
			) : (
				<>
					{students.length === 0 && <p>Nothing is known of anybody yet.</p>}
					<ul className="log-advice">
						{students.map((own) => (
							<li key={own.person} className="row">
								<b>{own.name}</b>
								<span>{speedWords(own)}</span>
								<LinePress intent="forget-student" fields={{ person: own.person }} label={`Forget ${own.name}`}>
									Forget
								</LinePress>
							</li>
						))}
					</ul>
					<div className="row">
						<Button danger onClick={stop}>
							Forget everybody, and stop
						</Button>
					</div>
				</>
			)}
		</section>
	)
}
