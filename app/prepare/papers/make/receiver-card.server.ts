/** Cards that go with a flower to who receives it: what of it is no food, and how it keeps. */
import type { DesignInCourse } from '../../../../core/plan/compile/compile-course'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { flowerFigure } from '../../../design/components/flower-picture/flower-figure'
import { count } from '../../../shared/words/times'
import { PAPER_WORDS, type Paper, type PaperCard } from '../paper'
import type { PaperTerms } from './paper-terms'

/** One for each flower of each student. */
export function makeCards({ current }: PaperTerms): Paper {
	const { course, designs } = current
	const cards = designs.flatMap((one) => {
		const card = cardOf(one)
		return Array.from({ length: course.studentCount * one.flowersPerStudent }, () => card)
	})
	return {
		name: 'card',
		title: PAPER_WORDS.card,
		subtitle: `${course.name} · ${count(cards.length, 'card')}, four to a sheet`,
		blocks: [{ type: 'cards', cards }],
	}
}

function cardOf({ design }: DesignInCourse): PaperCard {
	const notFood = listNotFood(design)
	return {
		figure: flowerFigure(design, { seed: 1 }),
		title: design.name,
		lines: [
			notFood.length > 0
				? `Not food: ${notFood.join(', ')}. Take all of it off before the cake is cut.`
				: 'Made of sugar paste by hand: to look at rather than to eat.',
			...(design.parts.some(({ wire }) => wire) || design.bundles.some(({ wire }) => wire)
				? ['A wire never goes into cake: it stands in a posy pick.']
				: []),
			'Keep it dry, out of the sun and away from steam; a refrigerator makes it soft.',
			'It breaks easily. Lift it by its foot, and keep it from small children.',
			'Sugar paste may hold egg, milk or gelatine: ask who made it.',
		],
	}
}

/** In the words of who has never made one. */
function listNotFood({ parts, bundles, layers, steps }: ResolvedDesign): string[] {
	const kinds = new Set(steps.flatMap(({ materials = [] }) => materials.map(({ kind }) => kind)))
	// 'Stamens, cream': who receives the flower need not know which.
	const bought = parts.flatMap(({ form }) =>
		form.type === 'bought' ? [form.item.toLowerCase().split(',')[0] ?? ''] : [],
	)
	const isWired = [...parts, ...bundles].some(({ wire }) => wire)
	return [
		...(isWired ? ['wires'] : []),
		...(isWired || layers.some(({ joining }) => joining === 'taped') ? ['floral tape'] : []),
		...new Set(bought),
		...(kinds.has('hot glue') ? ['hot glue'] : []),
		...(kinds.has('spray') ? ['spray'] : []),
		...(kinds.has('glaze') ? ['glaze, unless its label says it is food'] : []),
		...(kinds.has('dust') ? ['dusts, unless their labels say they are food'] : []),
	]
}
