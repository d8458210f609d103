/** The wall on a student's phone: by a code, to read, for one evening. */
import { NotFoundError } from '../../../../core/errors'
import { getCourse } from '../../../../db/repositories/courses.server'
import { findRunCode } from '../../../../db/repositories/run-codes.server'
import { loading } from '../../../shared/http/responses.server'
import { readRun } from '../../read-run.server'
import { Wall } from '../../wall/wall'
import { toWallRun } from '../../wall/wall-run'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'This evening · Calycine' }, { name: 'robots', content: 'noindex' }]
}

export function loader({ params }: Route.LoaderArgs) {
	return loading(async () => {
		const found = await findRunCode(params.code, new Date())
		if (!found) throw new NotFoundError('This code is not known, or its evening is over.')
		const { member, run } = found
		const page = await readRun(member.studio, await getCourse(member.studio.id, run.courseId), run.session)
		if (!page) throw new NotFoundError('Nothing is planned for this evening.')
		return { code: params.code, run: toWallRun(page) }
	})
}

export default function EveningPage({ loaderData: { code, run } }: Route.ComponentProps) {
	return (
		<main id="main" tabIndex={-1}>
			<Wall page={run} line={{ address: `/evening/${code}` }} />
		</main>
	)
}
