import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useId, useMemo } from 'react'
import type { Design, Part } from '../../../../core/design/design'
import { addPart, movePart } from '../../../../core/design/edits/edit-parts'
import { placeOf } from '../../../../core/design/edits/place-of'
import { useEditing, type Selection } from './editing'
import { PartRow } from './part-row'

const NEW_PART: Omit<Part, 'id'> = {
	name: 'New part',
	role: 'petal',
	tint: 'blush',
	piecesPerFlower: 5,
	form: { type: 'cut', outline: 'petal', widthMm: 30, lengthMm: 40, thicknessMm: 0.8 },
	paste: 'gum paste',
	colour: 'white',
	breakage: 0.08,
}

/** Parts as strips that can be put into another order, by hand or by keyboard. */
export function PartList({ design, selection }: { design: Design; selection: Selection }) {
	const { change, select } = useEditing()
	const sensors = useSensors(
		useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
		useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
	)
	const id = useId()
	const key = design.parts.map((part) => part.id).join(' ')
	// The same list while somebody types: a new one would render every row anew.
	const items = useMemo(() => key.split(' '), [key])
	return (
		<>
			<DndContext
				id={id}
				sensors={sensors}
				collisionDetection={closestCenter}
				onDragEnd={({ active, over }) => {
					if (!over || active.id === over.id) return
					change((before) => {
						// Options may hide parts: the place is that of the part dropped on.
						const to = placeOf(before.parts, over.id)
						return to === undefined ? before : movePart(before, String(active.id), to)
					})
				}}
			>
				<SortableContext items={items} strategy={verticalListSortingStrategy}>
					{design.parts.map((part) => (
						<PartRow
							key={part.id}
							part={part}
							steps={design.steps.filter((step) => step.part === part.id)}
							design={design}
							foreignNames={namesBefore(design, part.id)}
							selection={selection}
						/>
					))}
				</SortableContext>
			</DndContext>
			<button
				type="button"
				className="button-link"
				onClick={() =>
					change((before) => {
						const after = addPart(before, NEW_PART)
						const added = after.parts.at(-1)
						if (added) select({ type: 'part', id: added.id })
						return after
					})
				}
			>
				Add a part
			</button>
		</>
	)
}

/** Names of the other parts that a part's steps come after: its chain says them. */
function namesBefore({ parts, steps }: Design, partId: string): string {
	const needed = steps.filter(({ part }) => part === partId).flatMap(({ needs }) => needs.map(({ after }) => after))
	const owners = new Set(steps.filter(({ id, part }) => part !== partId && needed.includes(id)).map(({ part }) => part))
	return parts
		.filter(({ id }) => owners.has(id))
		.map(({ name }) => name)
		.join()
}
