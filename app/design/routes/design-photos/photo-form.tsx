import { Button } from 'antd'
import { useState } from 'react'
import { useFetcher } from 'react-router'
import type { Photo } from '../../../../db/repositories/photos.server'
import { SelectField, type Option } from '../../../shared/components/fields/choice-fields'
import { TextField } from '../../../shared/components/fields/text-field'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'
import { PhotoFigure } from '../../components/photo-list/photo-list'
import type { action } from './route'

/** One photo: what it shows and says, and the way out. */
export function PhotoForm({ photo, steps }: { photo: Photo; steps: readonly Option<string>[] }) {
	const { id, version } = photo
	const { submit, state, data } = useFetcher<typeof action>()
	const ask = useAskBeforeLoss()
	const [caption, setCaption] = useState(photo.caption)
	const [stepId, setStepId] = useState(photo.stepId ?? '')
	const isChanged = caption !== photo.caption || stepId !== (photo.stepId ?? '')
	const act = (fields: object) =>
		void submit({ id, version, ...fields }, { method: 'post', encType: 'application/json' })
	const remove = () =>
		ask({
			title: 'Take this photo out?',
			content: 'It is gone from the design’s page and its slides. This cannot be undone.',
			doIt: 'Take it out',
			keep: 'Keep it',
			onDo: () => act({ intent: 'delete' }),
		})
	return (
		<div className="stack">
			<PhotoFigure photo={{ ...photo, caption: '' }} />
			<SelectField
				label="Shows"
				value={stepId}
				options={[{ value: '', label: 'the whole piece' }, ...steps]}
				onChange={setStepId}
			/>
			<TextField label="Says" value={caption} maxLength={160} onChange={setCaption} />
			{data && 'message' in data && (
				<p className="alert" role="alert">
					{data.message}
				</p>
			)}
			<div className="row">
				<Button
					type="primary"
					disabled={!isChanged || state !== 'idle'}
					onClick={() => act({ intent: 'change', caption, stepId })}
				>
					Save
				</Button>
				<Button onClick={remove}>Take out</Button>
			</div>
		</div>
	)
}
