import { PlusOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { memo } from 'react'
import type { Design } from '../../../../../core/design/design'
import { holdsUnder } from '../../../../../core/design/variants'
import { addLayer } from '../../../../../core/design/edits/edit-parts'
import type { Picks } from '../../../../../core/design/resolve-design'
import { ARRANGEMENT_WORDS } from '../../../words/layers'
import { useEditing, type Selection } from '../editing'
import { StepChain } from './step-chain'

interface AssemblyStripProps {
	design: Design
	picks: Picks
	selection: Selection
}

/** Where all chains meet: layers from inside out, and the steps that put them together. */
export const AssemblyStrip = memo(function AssemblyStrip({ design, picks, selection }: AssemblyStripProps) {
	const { change, select } = useEditing()
	const names = new Map(design.parts.map(({ id, name }) => [id, name]))
	const steps = design.steps.filter(({ part }) => part === undefined)
	return (
		<section className="sheet part-strip tint-none" aria-label="Putting together">
			<h2>Putting together</h2>
			<p className="soft small">Layers from inside out</p>
			<ol className="layer-list">
				{design.layers.map((layer, index) =>
					holdsUnder(picks, layer.when) ? (
						<li key={index}>
							<Button
								className={`layer-tile ${selection.type === 'layer' && selection.index === index ? 'is-selected' : ''}`}
								onClick={() => select({ type: 'layer', index })}
							>
								<strong>
									{layer.pieceCount} × {(names.get(layer.part) ?? layer.part).toLowerCase()}
								</strong>
								<small>{ARRANGEMENT_WORDS[layer.arrangement]}</small>
							</Button>
						</li>
					) : null,
				)}
				<li>
					<Button
						type="dashed"
						className="step-add"
						icon={<PlusOutlined aria-hidden />}
						onClick={() =>
							change((before) => {
								const part = before.parts.at(-1)
								select({ type: 'layer', index: before.layers.length })
								return part
									? addLayer(before, {
											part: part.id,
											pieceCount: part.piecesPerFlower,
											radiusMm: 5,
											arrangement: 'over gaps',
										})
									: before
							})
						}
					>
						layer
					</Button>
				</li>
			</ol>
			<StepChain partId={undefined} steps={steps} design={design} selection={selection} />
		</section>
	)
}, isAlike)

/** What it shows: layers, its own steps, and the names of parts. */
function isAlike(before: AssemblyStripProps, after: AssemblyStripProps): boolean {
	const own = ({ design }: AssemblyStripProps) => design.steps.filter(({ part }) => part === undefined)
	const names = ({ design }: AssemblyStripProps) => design.parts.map(({ name }) => name).join()
	const [stepsBefore, stepsAfter] = [own(before), own(after)]
	return (
		before.picks === after.picks &&
		before.selection === after.selection &&
		before.design.layers === after.design.layers &&
		stepsBefore.length === stepsAfter.length &&
		stepsBefore.every((step, s) => step === stepsAfter[s]) &&
		names(before) === names(after)
	)
}
