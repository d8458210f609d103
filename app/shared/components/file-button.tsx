import { UploadOutlined } from '@ant-design/icons'
import { Button, Upload } from 'antd'

/** A button that chooses a file, which is read here and never sent by the library; the same one can be chosen again. */
export function FileButton({
	label,
	accept,
	onFile,
}: {
	label: string
	/** Endings and types, by commas. */
	accept: string
	onFile: (file: File) => void
}) {
	return (
		<Upload
			accept={accept}
			showUploadList={false}
			// The button inside is what is pressed.
			hasControlInside
			beforeUpload={(file) => {
				onFile(file)
				return false
			}}
		>
			<Button icon={<UploadOutlined aria-hidden />}>{label}</Button>
		</Upload>
	)
}
