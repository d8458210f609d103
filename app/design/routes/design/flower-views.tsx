import { Checkbox } from 'antd'
import { useState } from 'react'
import type { RingCover } from '../../../../core/design/flower-geometry'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { RingList } from '../../components/flower-picture/ring-list'

const SEED = 1

/** The flower from above and from the side, as planned or as nature would have it, with its gaps. */
export function FlowerViews({ design, rings }: { design: ResolvedDesign; rings: readonly RingCover[] }) {
	const [isNatural, setNatural] = useState(true)
	const seed = isNatural ? SEED : undefined
	return (
		<figure className="sheet flower-views">
			<div>
				<FlowerPicture design={design} view="above" size={240} seed={seed} rings={rings} />
				<FlowerPicture design={design} view="side" size={240} seed={seed} />
			</div>
			<figcaption>
				<Checkbox
					className="flower-variation"
					checked={isNatural}
					onChange={({ target }) => setNatural(target.checked)}
				>
					as nature varies
				</Checkbox>
				<RingList rings={rings} />
			</figcaption>
		</figure>
	)
}
