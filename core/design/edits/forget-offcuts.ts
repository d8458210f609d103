import type { Design } from '../design'
import { listWires, mapWires } from '../wires-of-design'
import { withValues } from './conditions'

/** Without uses of off-cuts of parts that are gone, and without trimming in steps that are. */
export function forgetOffcuts(design: Design): Design {
	const parts = new Set(design.parts.map(({ id }) => id))
	const steps = new Set(design.steps.map(({ id }) => id))
	const isGone = (ids: ReadonlySet<string>, id: string | undefined) => id !== undefined && !ids.has(id)
	const isWhole = listWires(design).every(
		({ wire }) => !isGone(parts, wire.fromOffcutsOf) && !isGone(steps, wire.trimmedIn),
	)
	if (isWhole) return design
	return mapWires(design, (wire) =>
		withValues(wire, {
			...(isGone(parts, wire.fromOffcutsOf) && { fromOffcutsOf: undefined }),
			...(isGone(steps, wire.trimmedIn) && { trimmedIn: undefined }),
		}),
	)
}
