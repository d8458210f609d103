/** Changes of a design's choices. */
import type { Condition, Design } from '../design'
import { forgetOption } from './conditions'
import { forgetNames, removePart } from './edit-parts'
import { removeSteps } from './edit-steps'
import { freshId, slugOf } from './fresh-id'

/** With a further axis; the first of its options is the usual one. */
export function addChoice(design: Design, name: string, optionNames: readonly string[]): Design {
	const id = freshId(slugOf(name), design.choices)
	const options = optionNames.reduce<{ id: string; name: string }[]>((list, option) => {
		return [...list, { id: freshId(slugOf(option), list), name: option }]
	}, [])
	return { ...design, choices: [...design.choices, { id, name, options }] }
}

/** With one option more at the end of a choice. */
export function addOption(design: Design, choiceId: string, name: string): Design {
	return changeChoice(design, choiceId, (choice) => ({
		...choice,
		options: [...choice.options, { id: freshId(slugOf(name), choice.options), name }],
	}))
}

/** Its id stays: addresses and courses know it by that. */
export function renameChoice(design: Design, choiceId: string, name: string): Design {
	return changeChoice(design, choiceId, (choice) => ({ ...choice, name }))
}

/** Its id stays, as that of a choice does. */
export function renameOption(design: Design, choiceId: string, optionId: string, name: string): Design {
	return changeChoice(design, choiceId, (choice) => ({
		...choice,
		options: choice.options.map((option) => (option.id === optionId ? { ...option, name } : option)),
	}))
}

/** Without the option, and without the choice if it was the last but one: then there is nothing left to choose. */
export function removeOption(design: Design, choiceId: string, optionId: string): Design {
	const choice = design.choices.find(({ id }) => id === choiceId)
	if (!choice) return design
	const goes = choice.options.length <= 2 ? choice.options.map(({ id }) => id) : [optionId]
	const survivor = choice.options.length === 2 ? choice.options.find(({ id }) => id !== optionId)?.id : undefined
	const without = {
		...design,
		choices:
			choice.options.length <= 2
				? design.choices.filter(({ id }) => id !== choiceId)
				: changeChoice(design, choiceId, (one) => ({
						...one,
						options: one.options.filter(({ id }) => id !== optionId),
					})).choices,
	}
	return mapConditions(without, (when) => {
		const options = when[choiceId]
		if (!options) return when
		// What existed only under the option that goes, goes with it.
		if (options.every((id) => id === optionId)) return 'gone'
		if (survivor !== undefined && !options.includes(survivor)) return 'gone'
		return goes.reduce<Condition | undefined>((kept, id) => forgetOption(kept, choiceId, id), when)
	})
}

/** The others stay as they are. */
function changeChoice(
	design: Design,
	choiceId: string,
	change: (choice: Design['choices'][number]) => Design['choices'][number],
): Design {
	return { ...design, choices: design.choices.map((choice) => (choice.id === choiceId ? change(choice) : choice)) }
}

type Fate = Condition | undefined | 'gone'

/** Every condition of the design after options have changed: it stays, is taken off, or what it is on goes. */
function mapConditions(whole: Design, fateOf: (when: Condition) => Fate): Design {
	const isGone = ({ when }: { when?: Condition }) => when !== undefined && fateOf(when) === 'gone'
	// What goes takes along what hangs on it, or leaves the way past it.
	const withoutParts = whole.parts.filter(isGone).reduce((left, { id }) => removePart(left, id), whole)
	const design = removeSteps(withoutParts, new Set(withoutParts.steps.filter(isGone).map(({ id }) => id)))
	const settle = <T extends { when?: Condition }>(item: T): T[] => {
		if (!item.when) return [item]
		const fate = fateOf(item.when)
		if (fate === 'gone') return []
		const { when: _, ...rest } = item
		return [(fate ? { ...rest, when: fate } : rest) as T]
	}
	const settleVariants = <S, T extends { when?: Condition; variants?: { when: Condition; set: S }[] }>(
		item: T,
	): T[] => {
		return settle(item).map((kept) => {
			if (!kept.variants) return kept
			const usual: S[] = []
			const variants = kept.variants.flatMap((variant) => {
				const fate = fateOf(variant.when)
				if (fate === 'gone') return []
				// Nothing is left that it depends on: it holds always.
				if (!fate) usual.push(variant.set)
				return fate ? [{ ...variant, when: fate }] : []
			})
			return Object.assign({}, kept, ...usual, { variants }) as T
		})
	}
	return forgetNames({
		...design,
		parts: design.parts.flatMap((part) => settleVariants(part)).map(settleSizes),
		steps: design.steps
			.flatMap((step) => settleVariants(step))
			.map((step) => ({ ...step, needs: step.needs.flatMap(settle) })),
		layers: design.layers.flatMap(settle),
		...(design.bundles && { bundles: design.bundles.flatMap(settle) }),
	})

	function settleSizes(part: Design['parts'][number]): Design['parts'][number] {
		const sizes = part.sizes?.flatMap(settle)
		return sizes ? { ...part, sizes } : part
	}
}
