import { Tabs } from 'antd'
import { memo } from 'react'
import type { Design } from '../../../../core/design/design'
import type { Picks } from '../../../../core/design/resolve-design'
import { DesignFigureList } from '../../components/design-figures/design-figures'
import { RingList } from '../../components/flower-picture/ring-list'
import { useEditing, type Selection } from './editing'
import { PicturePanel } from './figures/picture-panel'
import { ReviewList } from './figures/review-list'
import { useLook } from './figures/use-look'
import { Inspector } from './inspectors/inspector'

export type SideTab = 'chosen' | 'review' | 'figures'

interface EditorSideProps {
	ref: React.Ref<HTMLElement>
	design: Design
	/** A moment later, while somebody types. */
	settled: Design
	saved: Design
	picks: Picks
	selection: Selection
	tab: SideTab
	onTab: (tab: SideTab) => void
}

const CHOSEN_WORDS: Record<Selection['type'], string> = {
	design: 'Design',
	part: 'Part',
	step: 'Step',
	layer: 'Layer',
}

/** The picture and what follows from a change stay in view; below it the fields, the review or the figures. */
export const EditorSide = memo(function EditorSide(props: EditorSideProps) {
	const { ref, design, settled, saved, picks, selection, tab, onTab } = props
	const { gaugeStandard } = useEditing()
	const now = useLook(settled, picks, gaugeStandard)
	const before = useLook(saved, picks, gaugeStandard)
	return (
		<aside ref={ref} className="editor-side">
			<PicturePanel now={now} before={before} />
			<Tabs
				className="sheet side-tabs"
				activeKey={tab}
				onChange={(key) => onTab(key as SideTab)}
				items={[
					{
						key: 'chosen',
						label: CHOSEN_WORDS[selection.type],
						children: <Inspector design={design} selection={selection} />,
					},
					{
						key: 'review',
						label: now.findings.length === 0 ? 'Review' : `Review (${now.findings.length})`,
						children: <ReviewList findings={now.findings} />,
					},
					{
						key: 'figures',
						label: 'Figures',
						children: (
							<section className="stack" aria-label="Figures">
								<RingList rings={now.rings} />
								<DesignFigureList figures={now.figures} shares={now.shares} allergens={now.allergens} />
							</section>
						),
					},
				]}
			/>
		</aside>
	)
})
