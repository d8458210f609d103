/** How many reliefs a plan may use, and which not together. */
import type { NormalInstance } from '../problem/normal-form'
import type { ReliefTerms } from '../problem/relief'
import { not, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import type { PlaceChoices } from './place-choices'
import type { Swaps } from './wait-rules'

interface Parts {
	instance: NormalInstance
	places: readonly PlaceChoices[]
	swaps: Swaps
}

/** Adds a choice for each relief, its uses, and the limits on them. */
export function addReliefs(
	builder: ModelBuilder,
	{ instance: { tasks, setIds }, places, swaps }: Parts,
	{ reliefs, most, refused }: ReliefTerms,
): void {
	const used = reliefs.map(({ sets, ahead }): Literal => {
		const isUsed = builder.addChoice(1)
		const uses = [
			...sets.map((id) => swaps.bySet.get(setIds.indexOf(id))),
			...ahead.map((id) => places[tasks.findIndex((task) => task.id === id)]?.ahead),
		]
		for (const use of uses) if (use) builder.implies([use], isUsed)
		return isUsed
	})
	builder.limit(
		used.map((of) => ({ of, factor: 1 })),
		most,
	)
	for (const list of refused) builder.atLeastOne(...list.map((r) => not(used[r] ?? builder.no)))
}
