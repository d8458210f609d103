/** `npm run -s dry -- file.json`: hours of every stage for a list of `{ piece, env }`, with P50 and P90, as JSON. */
import { forecast } from '../core/drying/forecast'
import { FIRST_BELIEF } from '../core/drying/pace-belief'
import { predictStages } from '../core/drying/predict-stages'
import { byStage } from '../core/drying/stages'
import { neededHumidity } from '../core/drying/what-helps'
import { readDryingRequest } from '../exchange/drying/drying-request'
import { runDoor } from './json-door'

runDoor('dry', ['file.json'], ([document]) => {
	return readDryingRequest(document).map(({ piece, path }) => {
		const hours = predictStages(piece, path)
		const { stages } = forecast(piece, path, FIRST_BELIEF)
		return {
			/** Of the model at its usual pace; null: never. */
			hours: byStage((stage) => hours[stage] ?? null),
			p50: byStage((stage) => stages[stage].p50 ?? null),
			p90: byStage((stage) => stages[stage].p90 ?? null),
			needsHumidityBelow: byStage((stage) => neededHumidity(piece, stage)),
		}
	})
})
