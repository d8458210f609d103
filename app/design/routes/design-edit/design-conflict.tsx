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
				<button type="button" className="button-link" onClick={onKeepMine}>
					Keep what stands here
				</button>
				<button type="button" className="button-link" onClick={onTakeTheirs}>
					Take what was saved there
				</button>
				<span className="soft">then save again; undo brings the other back</span>
			</div>
		</section>
	)
}
