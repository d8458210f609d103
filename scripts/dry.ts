/**
 * `npm run -s dry -- file.json`: for a list of `{ piece, env }` and `{ flower, env }` hours of every stage and what may be
 * promised of it, as JSON.
 */
import { pasteOf, predictSubject } from '../core/drying/built-flower'
import { forecast } from '../core/drying/forecast'
import { FIRST_BELIEF, timesModel } from '../core/drying/pace-belief'
import { byStage, cutOffHumidity } from '../core/drying/stages'
import { readDryingRequest } from '../exchange/drying/drying-request'
import { runDoor } from './json-door'

runDoor('dry', ['file.json'], ([document]) => {
	return readDryingRequest(document).map(({ subject, path }) => {
		const hours = predictSubject(subject, path)
		const paced = predictSubject(subject, path, { rateFactor: 1 / timesModel(FIRST_BELIEF, 0.9) })
		const { stages, sureWithin } = forecast(subject, path, FIRST_BELIEF)
		return {
			/** Of the model at its usual pace; null: never. */
			hours: byStage((stage) => hours[stage] ?? null),
			kind: byStage((stage) => stages[stage].claim),
			p50: byStage((stage) => stages[stage].p50 ?? null),
			/** By the pace alone, as if the air were what was read; where it is not sure, no time to plan with. */
			p90: byStage((stage) => paced[stage] ?? null),
			plan: byStage((stage) => stages[stage].plan ?? null),
			/** That it is ready by `plan`. */
			chance: byStage((stage) => {
				const { plan, chance } = stages[stage]
				return plan === undefined ? null : (chance ?? sureWithin(stage, plan))
			}),
			needsHumidityBelow: byStage((stage) => cutOffHumidity(pasteOf(subject), stage)),
		}
	})
})
