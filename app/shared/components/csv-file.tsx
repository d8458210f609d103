import { FileButton } from './file-button'

/** A button that chooses a file of comma-separated values. */
export function CsvFile({ label, onText }: { label: string; onText: (text: string) => void }) {
	return (
		<FileButton label={label} accept=".csv,.txt,text/csv,text/plain" onFile={(file) => void file.text().then(onText)} />
	)
}
