import { HolderOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { memo } from 'react'
import type { Design, Part, Step } from '../../../../../core/design/design'
import { pasteMassG } from '../../../../../core/materials/piece-mass'
import { PieceDrawing } from '../../../components/flower-picture/piece-drawing'
import { describeForm } from '../../../../shared/words/terms'
import { count } from '../../../../shared/words/times'
import { settle } from '../../../../../core/design/variants'
import { useEditing, type Selection } from '../editing'
import { StepChain } from './step-chain'

interface PartRowProps {
	part: Part
	steps: readonly Step[]
	design: Design
	/** Of parts that its steps come after: the only ones whose change shows here. */
	foreignNames: string
	selection: Selection
}

/** A part with one of its pieces drawn, and its steps as a chain. */
export const PartRow = memo(
	function PartRow({ part, steps, design, selection }: PartRowProps) {
		const { select, scope } = useEditing()
		const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id: part.id })
		const shown = settle(part, scope.picks)
		const isSelected = selection.type === 'part' && selection.id === part.id
		return (
			<section
				ref={setNodeRef}
				style={{ transform: CSS.Translate.toString(transform), transition }}
				className={`sheet part-strip tint-${part.tint} ${isSelected ? 'is-selected' : ''}`}
				aria-label={shown.name}
			>
				<div className="part-head">
					<Button
						type="text"
						className="drag-handle"
						icon={<HolderOutlined aria-hidden />}
						aria-label={`Move ${shown.name}`}
						{...attributes}
						{...listeners}
					/>
					<Button type="text" className="part-name" onClick={() => select({ type: 'part', id: part.id })}>
						<PieceDrawing form={shown.form} size={52} />
						<span>
							<strong>{shown.name}</strong>
							<span className="soft small">
								{count(shown.piecesPerFlower, 'piece')} · {describeForm(shown.form)} · {massWords(shown)}
								{shown.sizes && ` · ${shown.sizes.length} sizes`}
								{shown.alternating && ` · ${shown.alternating.length} colours`}
								{shown.marbled && ' · marbled'}
								{shown.wire && ` · ${shown.wire.gauge} gauge`}
								{part.when && ' · under some options'}
							</span>
						</span>
					</Button>
				</div>
				<StepChain partId={part.id} steps={steps} design={design} selection={selection} />
			</section>
		)
	},
	(before, after) => {
		const areStepsSame =
			before.steps.length === after.steps.length && before.steps.every((step, s) => step === after.steps[s])
		return (
			areStepsSame &&
			before.part === after.part &&
			before.foreignNames === after.foreignNames &&
			before.selection === after.selection
		)
	},
)

function massWords({ form }: Pick<Part, 'form'>): string {
	const massG = pasteMassG(form)
	return massG > 0 ? `${massG.toFixed(1)} g each` : 'no paste'
}
