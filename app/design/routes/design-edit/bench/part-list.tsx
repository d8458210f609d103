import { closestCenter, DndContext } from '@dnd-kit/core'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useId, useMemo } from 'react'
import type { Design } from '../../../../../core/design/design'
import { movePart } from '../../../../../core/design/edits/edit-parts'
import { placeOf } from '../../../../../core/design/edits/place-of'
import { useEditing, type Selection } from '../editing'
import { PartRow } from './part-row'
import { useDragSensors } from './use-drag-sensors'

/** Parts as strips that can be put into another order, by hand or by keyboard. */
export function PartList({ design, selection }: { design: Design; selection: Selection }) {
	const { change } = useEditing()
	const sensors = useDragSensors()
	const id = useId()
	const key = design.parts.map((part) => part.id).join(' ')
	// The same list while somebody types: a new one would render every row anew.
	const items = useMemo(() => key.split(' '), [key])
	return (
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
