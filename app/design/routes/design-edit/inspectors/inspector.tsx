import type { Design } from '../../../../../core/design/design'
import { DesignInspector } from './design-inspector'
import type { Selection } from '../editing'
import { LayerInspector } from './layer-inspector'
import { PartInspector } from './part-inspector'
import { StepInspector } from './step-inspector'

/** The fields of whatever is chosen. */
export function Inspector({ design, selection }: { design: Design; selection: Selection }) {
	const found = find(design, selection)
	switch (found.type) {
		case 'part':
			return <PartInspector key={found.part.id} part={found.part} design={design} />
		case 'step':
			return <StepInspector key={found.step.id} step={found.step} design={design} />
		case 'layer':
			return <LayerInspector key={found.index} layer={found.layer} index={found.index} design={design} />
		case 'design':
			return <DesignInspector design={design} />
	}
}

/** What is chosen may be gone, by undoing or by its removal: then the design itself is. */
function find(design: Design, selection: Selection) {
	if (selection.type === 'part') {
		const part = design.parts.find(({ id }) => id === selection.id)
		if (part) return { type: 'part' as const, part }
	}
	if (selection.type === 'step') {
		const step = design.steps.find(({ id }) => id === selection.id)
		if (step) return { type: 'step' as const, step }
	}
	if (selection.type === 'layer') {
		const layer = design.layers[selection.index]
		if (layer) return { type: 'layer' as const, layer, index: selection.index }
	}
	return { type: 'design' as const }
}
