import type { PlanData } from './load-plan.server'
import { STAGE_WORDS } from '../../../drying/words/drying'
import { clock, shortDay } from '../../../shared/words/times'
import { neededAir } from '../../../drying/words/waits'
import { nameOfTask } from '../../words/tasks'

/** What never dries, or does not stay dry, where this course meets: said at once, with what would help. */
export function HopelessNotice({ plan }: { plan: PlanData }) {
	const { hopeless, places, softening } = plan
	if (hopeless.length === 0 && softening.length === 0) return null
	return (
		<section className="alert misfit" aria-labelledby="hopeless">
			<h2 id="hopeless">The air is too damp for this</h2>
			<ul>
				{hopeless.map(({ source, stage, needsHumidityBelow, isSwapped, helps, wait }) => (
					<li key={wait.key}>
						<b>{nameOfTask(source)}</b> {wait.claim === 'unlikely' ? 'is not to be expected to get' : 'never gets'}{' '}
						{stage ? STAGE_WORDS[stage] : 'ready'} in {[...places.rooms, places.store].join(' or ')}: it needs air{' '}
						{neededAir(needsHumidityBelow)}.{' '}
						{isSwapped ? 'The plan brings dried pieces instead.' : 'So what needs it cannot be done in this course.'}
						{helps.length > 0 && <> What helps: {helps.join('; or ')}.</>}
					</li>
				))}
				{softening.map(({ source, stage, lostAt, placeName }) => (
					<li key={nameOfTask(source) + lostAt.date}>
						<b>{nameOfTask(source)}</b> gets {STAGE_WORDS[stage]} in time, but softens again in {placeName} from{' '}
						{shortDay(lostAt.date)}, {clock(lostAt.minuteOfDay)} on, before it is needed. Keep it in a closed box with a
						drying sachet until then, or elsewhere.
					</li>
				))}
			</ul>
		</section>
	)
}
