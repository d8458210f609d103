/** A button that chooses a file of comma-separated values; the same file can be chosen again. */
export function CsvFile({ label, onText }: { label: string; onText: (text: string) => void }) {
	return (
		<label className="button-link file-button">
			{label}
			<input
				type="file"
				accept=".csv,.txt,text/csv,text/plain"
				onChange={({ target }) => {
					const file = target.files?.[0]
					if (!file) return
					void file.text().then((text) => {
						target.value = ''
						onText(text)
					})
				}}
			/>
		</label>
	)
}
