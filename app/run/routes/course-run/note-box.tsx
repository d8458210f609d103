import { Input, Modal } from 'antd'
import { useState } from 'react'
import { FileButton } from '../../../shared/components/file-button'
import { shrinkPhoto } from '../../../shared/shrink-photo'
import { useObjectAddress } from '../../../shared/components/use-object-address'

interface NoteBoxProps {
	isOpen: boolean
	onClose: () => void
	/** One of both, at least. */
	onNote: (text: string, photo: Blob | undefined) => void
}

/** A note for the log: words, a photo, or both. */
export function NoteBox({ isOpen, onClose, onNote }: NoteBoxProps) {
	const [text, setText] = useState('')
	const [photo, setPhoto] = useState<Blob>()
	const [problem, setProblem] = useState<string>()
	const picture = useObjectAddress(photo)
	const close = () => {
		setText('')
		setPhoto(undefined)
		setProblem(undefined)
		onClose()
	}
	const keep = () => {
		if (text.trim() !== '' || photo) onNote(text.trim(), photo)
		close()
	}
	const take = async (file: File) => {
		setProblem(undefined)
		try {
			setPhoto(await shrinkPhoto(file))
		} catch {
			setProblem('This file is no picture that the browser can read.')
		}
	}
	return (
		<Modal open={isOpen} title="A note" okText="Keep it" onOk={keep} onCancel={close}>
			<div className="stack">
				<Input.TextArea
					aria-label="A note"
					rows={3}
					maxLength={2000}
					value={text}
					onChange={({ target }) => setText(target.value)}
				/>
				<FileButton label={photo ? 'Another photo…' : 'A photo…'} accept="image/*" onFile={(file) => void take(file)} />
				{picture && <img className="run-photo" src={picture} alt="The photo of this note" />}
				{problem && (
					<p className="field-problem" role="alert">
						{problem}
					</p>
				)}
			</div>
		</Modal>
	)
}
