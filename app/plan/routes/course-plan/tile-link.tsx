import { Link } from 'react-router'
import type { PlanLinkProps } from '../../components/plan-bands/plan-bands'

/** A tile that opens its card beside the picture; the page stays where it is. */
export function TileLink({ ref, ...props }: PlanLinkProps) {
	return <Link {...props} {...(ref && { ref })} preventScrollReset replace draggable={false} />
}
