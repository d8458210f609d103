/** A file to keep, as the answer of a loader. */
export function answerFile(
	body: string | Uint8Array<ArrayBuffer>,
	{ name, type }: { name: string; type: string },
): Response {
	return new Response(body, {
		headers: {
			'Content-Type': type,
			// Names are made of slugs: nothing in them needs escaping.
			'Content-Disposition': `attachment; filename="${name}"`,
			'Cache-Control': 'private, no-cache',
		},
	})
}
