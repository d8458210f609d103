/** Several files as one. */
import { zip, type AsyncZippable } from 'fflate'

/**
 * @param files - by path; texts as UTF-8
 * @param isPacked - whether a file is small already, and is put in as it is
 */
export function packZip(
	files: Readonly<Record<string, Uint8Array | string>>,
	isPacked: (path: string) => boolean = () => false,
): Promise<Uint8Array<ArrayBuffer>> {
	const bytes = new TextEncoder()
	const whole: AsyncZippable = {}
	for (const [path, file] of Object.entries(files))
		whole[path] = [typeof file === 'string' ? bytes.encode(file) : file, { level: isPacked(path) ? 0 : 6 }]
	return new Promise((resolve, reject) => {
		zip(whole, (error, packed) => (error ? reject(error) : resolve(packed)))
	})
}
