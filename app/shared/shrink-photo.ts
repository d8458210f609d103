/** A photo made small enough to send: only its pixels go on, so place and camera stay on this machine. */

const LONGEST_PX = 1400
const QUALITY = 0.82

/** @throws {Error} no picture that this browser can read */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
	const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
	const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height))
	const canvas = document.createElement('canvas')
	canvas.width = Math.max(1, Math.round(bitmap.width * scale))
	canvas.height = Math.max(1, Math.round(bitmap.height * scale))
	const context = canvas.getContext('2d')
	if (!context) throw new Error('the browser cannot draw')
	context.imageSmoothingQuality = 'high'
	// What is clear in a PNG would turn black.
	context.fillStyle = 'white'
	context.fillRect(0, 0, canvas.width, canvas.height)
	context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
	bitmap.close()
	return new Promise((resolve, reject) => {
		canvas.toBlob(
			(blob) => (blob ? resolve(blob) : reject(new Error('the browser wrote no picture'))),
			'image/jpeg',
			QUALITY,
		)
	})
}
