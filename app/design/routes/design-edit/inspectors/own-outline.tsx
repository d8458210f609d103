import { useState } from 'react'
import { InputError } from '../../../../../core/errors'
import { parsePath, PathError } from '../../../../../core/outlines/parse-path'
import { FileButton } from '../../../../shared/components/file-button'
import { TextField } from '../../../../shared/components/fields/text-field'

/** A path typed, or taken from an SVG file; a bad one is refused with the reason and stays as it is typed. */
export function OwnOutline({ path, onChange }: { path: string; onChange: (path: string) => void }) {
	const [typed, setTyped] = useState<string>()
	const [problem, setProblem] = useState<string>()
	const take = (text: string) => {
		setTyped(text)
		try {
			parsePath(text)
			setProblem(undefined)
			onChange(text)
		} catch (error) {
			if (!(error instanceof PathError)) throw error
			setProblem(error.message)
		}
	}
	const readFile = async (file: File) => {
		// The reader of SVG is large: it comes when it is needed.
		const { readOutlinesSvg } = await import('../../../../../exchange/design/outline-svg')
		try {
			const [first] = readOutlinesSvg(await file.text())
			if (first) take(first.path)
		} catch (error) {
			if (!(error instanceof InputError)) throw error
			setProblem(error.problems.map(({ message }) => message).join(' '))
		}
	}
	return (
		<div className="field-wide stack">
			<TextField label="SVG path, foot below" value={typed ?? path} maxLength={20_000} isLong onChange={take} />
			<FileButton label="or from an SVG file…" accept=".svg,image/svg+xml" onFile={(file) => void readFile(file)} />
			{problem && (
				<p className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}
