import { Button, type FormInstance } from 'antd'
import type { Course } from '../../../../core/course/course'
import { compareCourses, type CourseDifference } from '../../../../core/course/course-differences'

interface ConflictNoticeProps {
	form: FormInstance<Course>
	theirs: Course
	message: string
	onKeepMine: () => void
	onTakeTheirs: () => void
}

const FIELD_WORDS: Partial<Record<CourseDifference['field'], string>> = {
	name: 'Name',
	studentCount: 'Students',
	pace: 'Pace',
	planFor: 'Times meant for',
	spareConfidence: 'Spares',
	demoFlowers: 'Pieces to show',
	homeworkMinutes: 'Homework',
	homeAfterDays: 'Finishing at home',
	endEarly: 'Ending early',
	designs: 'Designs',
	sessions: 'Sessions',
	storeId: 'Between sessions',
}

/** Told to the second of two windows: what differs, and the choice between the two. Nothing is lost meanwhile. */
export function ConflictNotice({ form, theirs, message, onKeepMine, onTakeTheirs }: ConflictNoticeProps) {
	const differences = compareCourses(form.getFieldsValue(true) as Course, theirs)
	return (
		<section className="alert stack" role="alert">
			<h2>Changed in another window</h2>
			<p>{message}</p>
			{differences.length > 0 && (
				<ul>
					{differences.map((difference) => (
						<li key={difference.field}>
							<strong>{FIELD_WORDS[difference.field]}</strong>: here {tell(difference, 'mine')}, there{' '}
							{tell(difference, 'theirs')}
						</li>
					))}
				</ul>
			)}
			<div className="row">
				<Button onClick={onKeepMine}>Keep what stands here</Button>
				<Button onClick={onTakeTheirs}>Take what stands there</Button>
				<span className="soft">then save again</span>
			</div>
		</section>
	)
}

function tell(difference: CourseDifference, side: 'mine' | 'theirs'): string {
	const isList = difference.field === 'designs' || difference.field === 'sessions'
	return isList ? `${difference[side]}, set otherwise` : String(difference[side])
}
