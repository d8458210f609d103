/** JPEG files for tests, made by the reference encoder. */
import jpeg from 'jpeg-js'

/** A picture with some colour in it. */
export function makeJpeg(width: number, height: number): Uint8Array<ArrayBuffer> {
	const data = new Uint8Array(width * height * 4)
	for (let i = 0; i < data.length; i++) data[i] = i % 4 === 3 ? 255 : (i * 7 + (i >> 6) * 13) % 256
	return Uint8Array.from(jpeg.encode({ data, width, height }, 80).data)
}

/** A segment with its marker and length. */
export function segment(marker: number, payload: readonly number[]): number[] {
	const length = payload.length + 2
	return [0xff, marker, length >> 8, length & 255, ...payload]
}

/** The file with segments right after its start. */
export function withSegments(file: Uint8Array, ...segments: readonly number[][]): number[] {
	return [...file.subarray(0, 2), ...segments.flat(), ...file.subarray(2)]
}
