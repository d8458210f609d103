import path from 'node:path'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import type { SolverJob } from '../../app/plan/solving/solver-job'
import { FairQueue } from '../../app/plan/solving/fair-queue'
import { closeSolver, solve, useSolverThreads } from '../../app/plan/solving/solver-pool.server'
import { BusyError, InputError } from '../../core/errors'
import { ORDINARY_TERMS } from '../../core/plan/compile/drying-terms'
import { demoCourse, demoDesign } from '../support/demo-designs'

const ECHO = path.resolve(import.meta.dirname, '../fixtures/echo.worker.mjs')

function job(name: string): Extract<SolverJob, { kind: 'plan' }> {
	return {
		kind: 'plan',
		course: { ...demoCourse('Calla lily taster'), name },
		designs: [],
		terms: ORDINARY_TERMS,
		timeMs: 50,
	}
}

describe('with threads', () => {
	beforeEach(() => useSolverThreads(ECHO))
	afterEach(closeSolver)

	test('each studio gets its own answers, and none waits for ever behind another', async () => {
		const order: string[] = []
		const ask = async (studioId: number, name: string) => {
			const answer = (await solve<'plan'>(studioId, job(name))) as unknown as { name: string }
			expect(answer.name).toBe(name)
			order.push(name)
		}

		await Promise.all([
			...['a1', 'a2', 'a3', 'a4', 'a5', 'a6'].map((name) => ask(1, name)),
			...['b1', 'b2'].map((name) => ask(2, name)),
		])

		// However many threads there are, the second studio is not the last to be served.
		expect(order.indexOf('b1')).toBeLessThan(order.indexOf('a6'))
	})

	test('a studio that asks for too much at once is told so, and others are not', async () => {
		const asked = Array.from({ length: 30 }, async (_, k) =>
			solve<'plan'>(1, job(String(k))).catch((error: unknown) => error),
		)

		await expect(solve<'plan'>(2, job('other'))).resolves.toMatchObject({ name: 'other' })
		expect((await Promise.all(asked)).filter((answer) => answer instanceof BusyError).length).toBeGreaterThan(0)
	})

	test('a search that hangs is ended with its thread, and the next one runs', async () => {
		await expect(solve<'plan'>(1, { ...job('hang'), timeMs: -7_500 })).rejects.toThrow(/did not answer/)

		await expect(solve<'plan'>(1, job('next'))).resolves.toMatchObject({ name: 'next' })
	})

	test('what nobody waits for begins when no page has asked for a plan for a while', async () => {
		const done: string[] = []
		await solve<'plan'>(1, job('first'))
		const better = solve<'plan'>(1, job('better'), 'later').then(() => done.push('better'))
		await solve<'plan'>(2, job('second')).then(() => done.push('second'))
		await better

		expect(done).toEqual(['second', 'better'])
	})

	test('a thread that falls over loses its job alone', async () => {
		await expect(solve<'plan'>(1, job('fail'))).rejects.toThrow('fell over')

		await expect(solve<'plan'>(1, job('next'))).resolves.toMatchObject({ name: 'next' })
	})
})

describe('what somebody waits for', () => {
	test('comes before what can wait, and among equals the studio served longest ago', () => {
		const queue = new FairQueue<{ studioId: number; urgency: 'at once' | 'soon' | 'later'; name: string }>()
		queue.push({ studioId: 1, urgency: 'later', name: 'better plan' })
		queue.push({ studioId: 1, urgency: 'soon', name: 'first of 1' })
		queue.push({ studioId: 1, urgency: 'soon', name: 'second of 1' })
		queue.push({ studioId: 2, urgency: 'soon', name: 'first of 2' })
		queue.push({ studioId: 3, urgency: 'at once', name: 'quick' })

		const order = Array.from({ length: 5 }, () => queue.shift()?.name)

		expect(order).toEqual(['quick', 'first of 1', 'first of 2', 'second of 1', 'better plan'])
		expect(queue.shift()).toBeUndefined()
	})

	test('is all that is taken while nothing else may begin', () => {
		const queue = new FairQueue<{ studioId: number; urgency: 'soon' | 'later' }>()
		queue.push({ studioId: 1, urgency: 'later' })

		expect(queue.shift(['at once', 'soon'])).toBeUndefined()
		expect(queue.shift()).toEqual({ studioId: 1, urgency: 'later' })
	})
})

describe('without threads', () => {
	test('the job is done here, and refused input is refused', async () => {
		const designs = [demoDesign('calla-lily')]

		expect((await solve<'plan'>(1, { ...job('here'), designs })).status).toBe('optimal')
		await expect(solve<'plan'>(1, job('nothing to make'))).rejects.toBeInstanceOf(InputError)
	})
})
