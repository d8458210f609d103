import { HolderOutlined, PlusOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { closestCenter, DndContext } from '@dnd-kit/core'
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { Fragment, useId, useMemo } from 'react'
import type { Design, Step } from '../../../../../core/design/design'
import { holdsUnder } from '../../../../../core/design/variants'
import { addStep, moveStep } from '../../../../../core/design/edits/edit-steps'
import { placeOf } from '../../../../../core/design/edits/place-of'
import { NeedWords } from '../../../components/step-chain/need-words'
import { useEditing, type Selection } from '../editing'
import { settle } from '../../../../../core/design/variants'
import { useDragSensors } from './use-drag-sensors'

interface StepChainProps {
	/** Undefined: the assembly. */
	partId: string | undefined
	steps: readonly Step[]
	design: Design
	selection: Selection
}

/** The steps of one part in their order, with what stands between them. */
export function StepChain({ partId, steps, design, selection }: StepChainProps) {
	const { change, select, scope } = useEditing()
	const id = useId()
	const sensors = useDragSensors()
	const key = steps
		.filter(({ when }) => holdsUnder(scope.picks, when))
		.map((step) => step.id)
		.join(' ')
	const items = useMemo(() => key.split(' '), [key])
	const shown = steps.filter(({ when }) => holdsUnder(scope.picks, when))
	const addHere = () =>
		change((before) => {
			const after = addStep(before, partId)
			const added = after.steps.find((step) => !before.steps.some((other) => other.id === step.id))
			if (added) select({ type: 'step', id: added.id })
			return after
		})
	return (
		<DndContext
			id={id}
			sensors={sensors}
			collisionDetection={closestCenter}
			onDragEnd={({ active, over }) => {
				const to = placeOf(steps, over?.id)
				if (over && to !== undefined && active.id !== over.id)
					change((before) => moveStep(before, String(active.id), to))
			}}
		>
			<SortableContext items={items} strategy={horizontalListSortingStrategy}>
				<ol className="step-chain">
					{shown.map((step) => (
						<Fragment key={step.id}>
							<NeedWords step={step} steps={shown} allSteps={design.steps} parts={design.parts} />
							<StepTile
								step={settle(step, scope.picks)}
								isSelected={selection.type === 'step' && selection.id === step.id}
							/>
						</Fragment>
					))}
					<li>
						<Button type="dashed" className="step-add" icon={<PlusOutlined aria-hidden />} onClick={addHere}>
							step
						</Button>
					</li>
				</ol>
			</SortableContext>
		</DndContext>
	)
}

function StepTile({ step, isSelected }: { step: Step; isSelected: boolean }) {
	const { select } = useEditing()
	const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id: step.id })
	return (
		<li
			ref={setNodeRef}
			style={{ transform: CSS.Translate.toString(transform), transition }}
			className={`step-tile ${isSelected ? 'is-selected' : ''}`}
		>
			<Button
				type="text"
				className="drag-handle"
				icon={<HolderOutlined aria-hidden />}
				aria-label={`Move ${step.label}`}
				{...attributes}
				{...listeners}
			/>
			<Button type="text" className="step-open" onClick={() => select({ type: 'step', id: step.id })}>
				<strong>{step.label}</strong>
				<small>
					{step.minutesPerPiece} min each{step.fixedMinutes > 0 && ` + ${step.fixedMinutes}`}
				</small>
			</Button>
		</li>
	)
}
