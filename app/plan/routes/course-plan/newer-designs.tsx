import { Button } from 'antd'
import { Form } from 'react-router'
import { Disclosure } from '../../../shared/native/disclosure'
import type { NewerDesign } from '../../newer-designs.server'
import { DifferenceList } from '../../../design/components/difference-list/difference-list'

/** Designs that have changed since the course was planned: what is new, and the choice to take it. */
export function NewerDesigns({ newer, version }: { newer: readonly NewerDesign[]; version: number }) {
	if (newer.length === 0) return null
	return (
		<Form method="post" className="alert stack" role="status">
			{newer.map(({ slug, name, differences }) => (
				<Disclosure
					key={slug}
					head={
						<span>
							<strong>{name}</strong> has a newer version. This course keeps the one that it was planned with.
						</span>
					}
				>
					<DifferenceList differences={differences} />
				</Disclosure>
			))}
			<input type="hidden" name="version" value={version} />
			<div>
				<Button htmlType="submit" name="intent" value="take-new-designs">
					Take the new version and plan anew
				</Button>
			</div>
		</Form>
	)
}
