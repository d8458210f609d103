import { changeStep } from '../edits/edit-steps'
import type { Design } from '../design'
import { DRYING_STAGES, type DryingStage } from '../../vocabulary/drying-stage'
import { steadyPath } from '../../drying/climate'
import { pasteOf, type DryingSubject } from '../../drying/built-flower'
import { forecast } from '../../drying/forecast'
import { FIRST_BELIEF } from '../../drying/pace-belief'
import { cutOffHumidity } from '../../drying/stages'
import { bearsWeight } from '../bears-weight'
import { countOfStep, minutesOfStep, stepsOfKind } from '../step-work'
import { subjectsOfWait } from '../wait-subject'
import type { ReviewRule } from './finding'

/** Hands-on minutes of a usual session; common practice, no source. */
const SESSION_MINUTES = 105
/** The slower of a group of improvers against a practised adult; see core/courses/pace. */
const USUAL_PACE = 1.36

/** A step that nobody has time for: no minutes at all. */
export const giveStepsTime: ReviewRule = ({ resolved, picks }) => {
	return resolved.steps
		.filter(({ minutesPerPiece, fixedMinutes }) => minutesPerPiece === 0 && fixedMinutes === 0)
		.map(({ id, label }) => ({
			id: `no-time ${id}`,
			step: id,
			message: `“${label}” takes no time.`,
			reason: 'A plan would give it a minute, and the class would be late by what it really takes.',
			fix: {
				label: 'Give it 2 min each',
				apply: (design: Design) => changeStep(design, id, { minutesPerPiece: 2 }, { picks }),
			},
		}))
}

/** A step longer than a session that may not be interrupted: it fits nowhere. */
export const tooLongForASession: ReviewRule = ({ resolved }) => {
	return resolved.steps.flatMap((step) => {
		const { id, label, fixedMinutes, leastPieces } = step
		const count = countOfStep(resolved, step, { flowers: 1 })
		const each = minutesOfStep(resolved, step, { flowers: 1 }) - fixedMinutes
		const minutes = Math.round(fixedMinutes + each * USUAL_PACE)
		if (minutes <= SESSION_MINUTES || leastPieces !== undefined) return []
		const least = Math.max(1, Math.floor(count / 4))
		return [
			{
				id: `too-long ${id}`,
				step: id,
				message: `“${label}” takes improvers ${minutes} min in one go: a session has about ${SESSION_MINUTES}.`,
				reason: 'A step that may not be interrupted must fit into one session.',
				...(count > 1 && {
					fix: {
						label: `Let it be interrupted, ${least} at a time at least`,
						apply: (design: Design) => changeStep(design, id, { leastPieces: least }, { picks: {} }),
					},
				}),
			},
		]
	})
}

/** A stage that the paste is not to be expected to reach in an ordinary room: whoever waits for it waits in vain. */
export const stageNeverReached: ReviewRule = ({ resolved, picks, standard }) => {
	return resolved.steps.flatMap((step) =>
		step.needs.flatMap((need) => {
			const from = resolved.steps.find(({ id }) => id === need.after)
			if (!need.wait || !from || need.wait.isByHand) return []
			const never = subjectsOfWait(resolved, from, need.wait.stage, standard).find((subject) => {
				if (subject.type !== 'piece') return false
				// Far from the cut-off there is no need to look closer.
				const isFar = cutOffHumidity(pasteOf(subject.piece), subject.stage) > ORDINARY_HUMIDITY + FAR
				return !isFar && !isPromised(subject.piece, subject.stage)
			})
			if (never?.type !== 'piece') return []
			const { piece, stage } = never
			const cutOff = cutOffHumidity(pasteOf(piece), stage)
			const reached = stageInstead(piece, stage, bearsWeight(resolved, step))
			return [
				{
					id: `never-reached ${step.id} ${need.after}`,
					step: step.id,
					message: `“${step.label}” waits until “${from.label}” is ${stage}: its paste does not get there in an ordinary room.`,
					reason: `It would need air below ${Math.floor(100 * cutOff)} % humidity, with some room; an ordinary room has about ${100 * ORDINARY_HUMIDITY} %.`,
					...(reached && {
						fix: {
							label: reached === 'settled' ? 'Wait until it is as dry as it gets' : `Wait for ${reached} instead`,
							apply: (design: Design) => {
								const needs = step.needs.map((one) => {
									return one.after === need.after && one.wait ? { ...one, wait: { ...one.wait, stage: reached } } : one
								})
								return changeStep(design, step.id, { needs }, { picks })
							},
						},
					}),
				},
			]
		}),
	)
}

/** Common practice, no source. */
const ORDINARY_HUMIDITY = 0.5
/** Relative humidity: a cut-off so far above the room's leaves every piece its time. */
const FAR = 0.12
const ORDINARY_PATH = steadyPath({ temperatureC: 21, humidity: ORDINARY_HUMIDITY }, 'still')

function isPromised(piece: DryingSubject, stage: DryingStage): boolean {
	return forecast(piece, ORDINARY_PATH, FIRST_BELIEF, stage).stages[stage].plan !== undefined
}

/** What may be waited for in its place: as dry as it gets where nothing hangs on it, or the last stage that it does reach. */
function stageInstead(piece: DryingSubject, stage: DryingStage, isLoaded: boolean): DryingStage | undefined {
	const isDryAsked = stage === 'firm' || stage === 'hard' || stage === 'through'
	if (isDryAsked && !isLoaded && isPromised(piece, 'settled')) return 'settled'
	const before = DRYING_STAGES.slice(0, DRYING_STAGES.indexOf(stage)).filter((each) => each !== 'settled')
	return before.findLast((each) => isPromised(piece, each))
}

/** A part that nobody makes. */
export const partWithoutSteps: ReviewRule = ({ resolved }) => {
	return resolved.parts
		.filter((kind) => kind.form.type !== 'bought' && stepsOfKind(resolved, kind).length === 0)
		.map(({ id, of, name }) => ({
			id: `no-steps ${id}`,
			part: of,
			message: `${name} has no steps.`,
			reason: 'Its pieces are counted and packed, but no time is planned for them.',
		}))
}
