import { Button } from 'antd'
import './stale-notice.css'

/** Told to the second of two windows: what the first one saved, and the choice between the two. Nothing typed is lost. */
export function StaleNotice({
	message,
	theirs,
	onKeepMine,
	onTakeTheirs,
}: {
	message: string
	/** What stands there now, a line each. */
	theirs: readonly string[]
	onKeepMine: () => void
	onTakeTheirs: () => void
}) {
	return (
		<section className="alert stack stale-notice" role="alert">
			<h2>Changed in another window</h2>
			<p>{message} There it says:</p>
			<ul>
				{theirs.map((line, l) => (
					<li key={l}>{line}</li>
				))}
			</ul>
			<div className="row">
				<Button onClick={onKeepMine}>Keep what stands here</Button>
				<Button onClick={onTakeTheirs}>Take what stands there</Button>
				<span className="soft">then save again</span>
			</div>
		</section>
	)
}
