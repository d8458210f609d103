/** Hands the browser a file that exists nowhere but on this page. */
export function saveJson(fileName: string, content: unknown): void {
	const address = URL.createObjectURL(
		new Blob([JSON.stringify(content, undefined, '\t')], { type: 'application/json' }),
	)
	const link = document.createElement('a')
	link.href = address
	link.download = fileName
	link.click()
	URL.revokeObjectURL(address)
}
