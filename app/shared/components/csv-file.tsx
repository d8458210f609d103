import { UploadOutlined } from '@ant-design/icons'
import { Button, Upload } from 'antd'

/** A button that chooses a file of comma-separated values; the same file can be chosen again. */
export function CsvFile({ label, onText }: { label: string; onText: (text: string) => void }) {
	return (
		<Upload
			accept=".csv,.txt,text/csv,text/plain"
			showUploadList={false}
			// The button inside is what is pressed.
			hasControlInside
			beforeUpload={(file) => {
				void file.text().then(onText)
				// Read here, and never sent by the library.
				return false
			}}
		>
			<Button icon={<UploadOutlined aria-hidden />}>{label}</Button>
		</Upload>
	)
}
