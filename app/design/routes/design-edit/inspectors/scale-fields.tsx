import { Button } from 'antd'
import { useState } from 'react'
import type { Design } from '../../../../../core/design/design'
import { scaleDesign } from '../../../../../core/design/scale-design'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { useEditing } from '../editing'

/** The size by itself, or the whole design made to another size with all that follows. */
export function ScaleFields({ design, onSize }: { design: Design; onSize: (mm: number) => void }) {
	const { change, gaugeStandard } = useEditing()
	const [percent, setPercent] = useState(100)
	return (
		<div className="field-row">
			<NumberField
				label="Across, finished"
				unit="mm"
				value={design.finishedSizeMm}
				min={1}
				max={2000}
				onChange={onSize}
			/>
			<NumberField label="Make all of it" unit="%" value={percent} min={20} max={500} step={5} onChange={setPercent} />
			<Button
				disabled={percent === 100}
				onClick={() => {
					change((before) => scaleDesign(before, percent / 100, gaugeStandard))
					setPercent(100)
				}}
			>
				Scale
			</Button>
		</div>
	)
}
