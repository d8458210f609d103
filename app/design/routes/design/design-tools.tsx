import { App, Dropdown } from 'antd'
import { Link, useSubmit } from 'react-router'
import { count } from '../../../shared/words/times'

/** What can be done with a design beside planning it. */
export function DesignTools({
	slug,
	name,
	version,
	findingCount,
}: {
	slug: string
	name: string
	version: number
	findingCount: number
}) {
	const { modal } = App.useApp()
	const submit = useSubmit()
	const askToDelete = () => {
		modal.confirm({
			title: `Delete “${name}”?`,
			content: 'The design goes with all its versions. This cannot be undone.',
			okText: 'Delete',
			okButtonProps: { danger: true },
			cancelText: 'Keep it',
			autoFocusButton: 'cancel',
			onOk: () => submit({ version }, { method: 'post', action: `/designs/${slug}` }),
		})
	}
	const files = [
		{ key: 'design.json', label: 'Design, JSON' },
		{ key: 'parts.csv', label: 'Parts, CSV' },
		{ key: 'steps.csv', label: 'Steps, CSV' },
		{ key: 'outlines.svg', label: 'Outlines, SVG' },
		{ key: 'picture.svg', label: 'Picture, SVG' },
	].map(({ key, label }) => ({
		key,
		label: (
			<a
				href={key === 'picture.svg' ? `/designs/${slug}/picture.svg` : `/designs/${slug}/files/${key}`}
				download={`${slug}-${key}`}
			>
				{label}
			</a>
		),
	}))
	return (
		<nav className="design-tools no-print" aria-label="This design">
			<Link className="button-link" to={`/designs/${slug}/edit`}>
				Edit
			</Link>
			<Link className="button-link" to={`/designs/new?like=${slug}`}>
				Start a like one
			</Link>
			<Link className="button-link" to={`/designs/${slug}/sheets`}>
				Template sheets
			</Link>
			<Link className="button-link" to={`/designs/${slug}/versions`}>
				Versions
			</Link>
			<Link className="button-link" to={`/designs/${slug}/slides`}>
				Slides
			</Link>
			<Dropdown menu={{ items: files }} trigger={['click']}>
				<button type="button" className="button-link">
					Files
				</button>
			</Dropdown>
			<button type="button" className="button-link" onClick={askToDelete}>
				Delete
			</button>
			{findingCount > 0 && (
				<Link className="design-findings" to={`/designs/${slug}/edit#review`}>
					{count(findingCount, 'thing')} to look at
				</Link>
			)}
		</nav>
	)
}
