import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { foreseeChanges } from '../../foresee-changes.server'
import type { Route } from './+types/route'

/** What coming courses would become; asked for by a press, since it takes its seconds. */
export function loader({ context }: Route.LoaderArgs) {
	return loading(() => foreseeChanges(context.get(memberContext).studio))
}
