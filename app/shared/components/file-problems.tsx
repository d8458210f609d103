/** A file with more is a different file. */
const PROBLEMS_SHOWN = 20

/** What is wrong in a file, and where in it. */
export function FileProblems({ problems }: { problems: readonly { path: string; message: string }[] }) {
	if (problems.length === 0) return null
	return (
		<section className="alert">
			<h2>This file cannot be taken in</h2>
			<ul>
				{problems.slice(0, PROBLEMS_SHOWN).map(({ path, message }) => (
					<li key={`${path} ${message}`}>
						{path && <code>{path}</code>} {message}
					</li>
				))}
			</ul>
		</section>
	)
}
