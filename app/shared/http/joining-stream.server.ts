/** What React writes, joined: it writes by pieces of 2 kB, and each would be compressed and sent by itself. */
import { Transform, type TransformCallback } from 'node:stream'

export class JoiningStream extends Transform {
	#pieces: Buffer[] = []

	override _transform(piece: Buffer, _encoding: BufferEncoding, done: TransformCallback): void {
		this.#pieces.push(piece)
		done()
	}

	override _flush(done: TransformCallback): void {
		this.flush()
		done()
	}

	/** React calls it when a stretch of the page is whole and may be seen. */
	flush(): void {
		if (this.#pieces.length === 0) return
		this.push(Buffer.concat(this.#pieces))
		this.#pieces = []
	}
}
