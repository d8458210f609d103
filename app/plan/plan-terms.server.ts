/** What a studio's plans are made with: how it dries there, and the tools that it counts. */
import type { Design } from '../../core/design/design'
import { ownedToolsOf } from '../../core/kit/stock'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import type { Studio } from '../../db/repositories/accounts.server'
import { listTools } from '../../db/repositories/stock/read-stock.server'
import { readDryingTerms } from '../drying/drying-terms.server'

/** @param designs - whose tools are asked for */
export async function readPlanTerms(studio: Studio, designs: readonly Design[]): Promise<PlanTerms> {
	const [terms, items] = await Promise.all([readDryingTerms(studio), listTools(studio.id)])
	const { strainTerms: strain, learnt } = studio
	return {
		...terms,
		strain,
		...(learnt && { learnt }),
		ownedTools: ownedToolsOf({ items }, designs.flatMap(namesOfTools)),
	}
}

function namesOfTools({ steps }: Design): string[] {
	return steps.flatMap(({ tools, variants = [] }) => [...tools, ...variants.flatMap(({ set }) => set.tools ?? [])])
}
