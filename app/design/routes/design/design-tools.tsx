import { LinkButton } from '../../../shared/components/link-button'
import { Button, Dropdown } from 'antd'
import { Link, useSubmit } from 'react-router'
import { count } from '../../../shared/words/times'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'

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
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const askToDelete = () => {
		ask({
			title: `Delete “${name}”?`,
			content: 'The design goes with all its versions. This cannot be undone.',
			doIt: 'Delete',
			keep: 'Keep it',
			onDo: () => submit({ version }, { method: 'post', action: `/designs/${slug}` }),
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
			<LinkButton to={`/designs/${slug}/edit`}>Edit</LinkButton>
			<LinkButton to={`/designs/new?like=${slug}`}>Start a like one</LinkButton>
			<LinkButton to={`/designs/${slug}/sheets`}>Template sheets</LinkButton>
			<LinkButton to={`/designs/${slug}/versions`}>Versions</LinkButton>
			<LinkButton to={`/designs/${slug}/slides`}>Slides</LinkButton>
			<LinkButton to={`/designs/${slug}/photos`}>Photos</LinkButton>
			<Dropdown menu={{ items: files }} trigger={['click']}>
				<Button>Files</Button>
			</Dropdown>
			<Button onClick={askToDelete}>Delete</Button>
			{findingCount > 0 && (
				<Link className="design-findings" to={`/designs/${slug}/edit#review`}>
					{count(findingCount, 'thing')} to look at
				</Link>
			)}
		</nav>
	)
}
