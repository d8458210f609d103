import { Form } from 'react-router'
import type { NewerDesign } from '../../newer-designs.server'
import { DifferenceList } from '../../../design/components/difference-list/difference-list'

/** Designs that have changed since the course was planned: what is new, and the choice to take it. */
export function NewerDesigns({ newer, version }: { newer: readonly NewerDesign[]; version: number }) {
	if (newer.length === 0) return null
	return (
		<Form method="post" className="alert stack" role="status">
			{newer.map(({ slug, name, differences }) => (
				<details key={slug}>
					<summary>
						<strong>{name}</strong> has a newer version. This course keeps the one that it was planned with.
					</summary>
					<DifferenceList differences={differences} />
				</details>
			))}
			<input type="hidden" name="version" value={version} />
			<div>
				<button className="button-link" name="intent" value="take-new-designs">
					Take the new version and plan anew
				</button>
			</div>
		</Form>
	)
}
