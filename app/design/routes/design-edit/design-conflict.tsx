import { Button } from 'antd'
import type { DesignDifference } from '../../../../core/design/design-differences'
import { DifferenceList } from '../../components/difference-list/difference-list'

interface DesignConflictProps {
	message: string
	differences: readonly DesignDifference[]
	onKeepMine: () => void
	onTakeTheirs: () => void
}

/** Told to the second of two windows: what differs, and the choice between the two. */
export function DesignConflict({ message, differences, onKeepMine, onTakeTheirs }: DesignConflictProps) {
	return (
		<section className="alert stack" role="alert">
			<h2>Changed in another window</h2>
			<p>{message} This is what yours says differently:</p>
			<DifferenceList differences={differences} />
			<div className="row">
				<Button onClick={onKeepMine}>Keep what stands here</Button>
				<Button onClick={onTakeTheirs}>Take what was saved there</Button>
				<span className="soft">then save again; undo brings the other back</span>
			</div>
		</section>
	)
}
