import { beforeAll, describe, expect, test } from 'vitest'
import { courseOfPage } from '../../app/shared/http/course-of-page.server'
import { JoiningStream } from '../../app/shared/http/joining-stream.server'
import { NotFoundError } from '../../core/errors'
import { inTransaction } from '../../db/connection.server'
import { createCourse } from '../../db/repositories/courses.server'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase } from '../support/studios'

describe('what React writes', () => {
	async function sent(write: (stream: JoiningStream) => void): Promise<string[]> {
		const stream = new JoiningStream()
		const pieces: string[] = []
		stream.on('data', (piece: Buffer) => pieces.push(piece.toString()))
		write(stream)
		await new Promise((resolve) => stream.once('end', resolve))
		return pieces
	}

	test('goes out joined, whenever a stretch of the page is whole', async () => {
		const pieces = await sent((stream) => {
			stream.write('<main>')
			stream.write('shell</main>')
			stream.flush()
			stream.write('<script>')
			stream.write('rest</script>')
			stream.end()
		})

		expect(pieces).toEqual(['<main>shell</main>', '<script>rest</script>'])
	})

	test('is whole without a flush, and nothing is sent where nothing was written', async () => {
		expect(await sent((stream) => stream.end('all'))).toEqual(['all'])
		expect(await sent((stream) => void stream.resume().end())).toEqual([])
	})
})

describe('the course of a page', () => {
	beforeAll(freshDatabase)

	test('is read once in a request, anew in the next, and never for another studio', async () => {
		const [studio, stranger] = [await foundStudio(['calla-lily']), await foundStudio()]
		const id = await inTransaction((transaction) =>
			createCourse(studio.studioId, demoCourse('Calla lily taster'), transaction),
		)
		const params = { courseId: String(id) }
		const context = contextOf(studio)

		expect(await courseOfPage(context, params)).toBe(await courseOfPage(context, params))
		expect(await courseOfPage(contextOf(studio), params)).not.toBe(await courseOfPage(context, params))
		await expect(courseOfPage(contextOf(stranger), params)).rejects.toBeInstanceOf(NotFoundError)
	})
})
