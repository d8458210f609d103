/** `npm run -s plan:check -- instance.json plan.json`: judges a plan and prints `{ ok, errors, objective }`. */
import { checkPlan } from '../core/plan/checker/check-plan'
import { readInstance, readPlan } from '../exchange/read-document'
import { runDoor, unwrap } from './json-door'

runDoor('plan:check', ['instance.json', 'plan.json'], ([instance, plan]) =>
	checkPlan(readInstance(unwrap(instance, 'instance')), readPlan(unwrap(plan, 'plan'))),
)
