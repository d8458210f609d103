/** Where each task is done, as literals; a group of optional tasks is dropped by one literal. */
import type { NormalInstance, NormalTask } from '../problem/normal-form'
import type { Placement } from '../problem/plan'
import { not, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'

/** Of one task; a constant literal where there is nothing to choose. */
export interface PlaceChoices {
	/** Exactly one of the four holds. */
	inClass: Literal
	atHome: Literal
	ahead: Literal
	dropped: Literal
	/** In class or at home. */
	placed: Literal
}

/** The same as plans and pins call the places. */
export function literalsByPlace(choices: PlaceChoices): Record<Placement['place'], Literal> {
	return { class: choices.inClass, home: choices.atHome, ahead: choices.ahead, dropped: choices.dropped }
}

/** Conflicts soon say better; until then, places are decided before orders. */
const PLACE_ACTIVITY = 2

/** By task index; a task without units is dropped from the start. */
export function addPlaceChoices(
	builder: ModelBuilder,
	{ tasks, homeWindows }: NormalInstance,
): readonly PlaceChoices[] {
	const droppedByGroup = new Map<string, Literal>()
	return tasks.map((task): PlaceChoices => {
		if (task.units === 0) {
			const { yes, no } = builder
			return { inClass: no, atHome: no, ahead: no, dropped: yes, placed: no }
		}
		let dropped = builder.no
		if (task.optionGroup !== undefined) {
			dropped = droppedByGroup.get(task.optionGroup) ?? builder.addChoice(PLACE_ACTIVITY)
			droppedByGroup.set(task.optionGroup, dropped)
		}
		return addChoicesOfTask(builder, task, { dropped, hasHome: homeWindows.length > 0 })
	})
}

/**
 * Where one task may be done, as literals of which exactly one holds; places that are not allowed are the
 * literal that never holds, so that rules about them vanish.
 */
function addChoicesOfTask(
	builder: ModelBuilder,
	{ places, optionGroup }: NormalTask,
	{ dropped, hasHome }: { dropped: Literal; hasHome: boolean },
): PlaceChoices {
	const choices = { inClass: builder.no, atHome: builder.no, ahead: builder.no, dropped }
	const isOptional = optionGroup !== undefined
	const allowed = (['inClass', 'atHome', 'ahead'] as const).filter((choice) => {
		return (
			places.has(({ inClass: 'class', atHome: 'home', ahead: 'ahead' } as const)[choice]) &&
			(choice !== 'atHome' || hasHome)
		)
	})
	const [first, second] = allowed
	if (!first) {
		builder.atLeastOne(dropped)
	} else if (!second) {
		choices[first] = isOptional ? not(dropped) : builder.yes
	} else if (allowed.length === 2 && !isOptional) {
		choices[first] = builder.addChoice(PLACE_ACTIVITY)
		choices[second] = not(choices[first])
	} else {
		for (const choice of allowed) choices[choice] = builder.addChoice(PLACE_ACTIVITY)
		const options = [...allowed.map((choice) => choices[choice]), ...(isOptional ? [dropped] : [])]
		builder.atLeastOne(...options)
		options.forEach((option, k) => {
			for (const other of options.slice(k + 1)) builder.atLeastOne(not(option), not(other))
		})
	}
	return { ...choices, placed: placedOf(builder, choices) }
}

/**
 * Whether the task takes time of a student, in class or at home. A choice of its own is made only where
 * no other literal says the same.
 */
function placedOf(builder: ModelBuilder, { inClass, atHome, ahead, dropped }: Omit<PlaceChoices, 'placed'>): Literal {
	if (ahead === builder.no && dropped === builder.no) return builder.yes
	if (atHome === builder.no) return inClass
	if (inClass === builder.no) return atHome
	if (dropped === builder.no) return not(ahead)
	if (ahead === builder.no) return not(dropped)
	const placed = builder.addChoice()
	builder.implies([placed], not(ahead))
	builder.implies([placed], not(dropped))
	builder.implies([inClass], placed)
	builder.implies([atHome], placed)
	return placed
}
