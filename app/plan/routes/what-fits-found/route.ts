/** What of the design book fits a slot, design by design as it is found: a line of JSON each. */
import type { Design } from '../../../../core/design/design'
import { AppError } from '../../../../core/errors'
import type { PlanTerms } from '../../../../core/plan/compile/drying-terms'
import type { Slot } from '../../../../core/plan/what-fits/slot'
import type { DesignFit } from '../../../../core/plan/what-fits/what-fits'
import { addDays } from '../../../../core/time/calendar'
import { listDocuments } from '../../../../db/repositories/designs.server'
import { memberContext } from '../../../shared/http/contexts'
import { log } from '../../../shared/http/log.server'
import { loading } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { readPlanTerms } from '../../plan-terms.server'
import { readSlotAddress, toSlot } from '../../schemas/slot-address'
import { solve } from '../../solving/solver-pool.server'
import type { Route } from './+types/route'

/** A line of the answer. */
export type FoundLine = { fit: DesignFit } | { looked: number; of: number } | { failed: string }

/** Handed in at once: more would wait in the queue, where other pages of the studio wait too. */
const AT_ONCE = 3
/** Of a design with very many ways, the rest is not looked at. */
const DESIGN_MS = 1_500
/** Of a very large book, the rest is not looked at. */
const ALL_MS = 20_000

export function loader({ request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const asked = readSlotAddress(new URL(request.url).searchParams, addDays(today(studio.timeZone), 7))
		const designs = (await listDocuments(studio.id)).filter(
			({ level, audience }) => level <= asked.level && (asked.for === 'anybody' || audience === 'children'),
		)
		const job = { studioId: studio.id, slot: toSlot(asked), terms: await readPlanTerms(studio, designs) }
		return new Response(streamLines(findAll(designs, job)), {
			headers: { 'Content-Type': 'application/x-ndjson; charset=utf-8', 'Cache-Control': 'no-store' },
		})
	})
}

/** Each design by itself, a few at a time, in the order in which they are done. */
async function* findAll(
	designs: readonly Design[],
	{ studioId, slot, terms }: { studioId: number; slot: Slot; terms: PlanTerms },
): AsyncGenerator<FoundLine> {
	const end = performance.now() + ALL_MS
	const waiting = [...designs]
	const running = new Map<Design, Promise<{ design: Design; fit: DesignFit | undefined }>>()
	let looked = 0
	while ((waiting.length > 0 && performance.now() < end) || running.size > 0) {
		while (running.size < AT_ONCE && waiting.length > 0 && performance.now() < end) {
			const design = waiting.shift()
			if (!design) break
			const job = { kind: 'what-fits' as const, design, slot, terms, timeMs: DESIGN_MS }
			const found = solve<'what-fits'>(studioId, job).then((fit) => ({ design, fit }))
			// Where another fails first, nobody waits for this one any more.
			found.catch(() => undefined)
			running.set(design, found)
		}
		const { design, fit } = await Promise.race(running.values())
		running.delete(design)
		looked++
		if (fit) yield { fit }
		yield { looked, of: designs.length }
	}
	if (designs.length === 0) yield { looked: 0, of: 0 }
}

/** Stops asking when nobody listens any more; a failure is told in the last line. */
function streamLines(lines: AsyncGenerator<FoundLine>): ReadableStream<Uint8Array> {
	const encoder = new TextEncoder()
	const encode = (line: FoundLine) => encoder.encode(`${JSON.stringify(line)}\n`)
	return new ReadableStream({
		async pull(controller) {
			try {
				const { value, done } = await lines.next()
				if (done) controller.close()
				else controller.enqueue(encode(value))
			} catch (error) {
				if (!(error instanceof AppError)) log.error({ err: error }, 'what fits')
				const message = error instanceof AppError ? error.message : 'Something went wrong here.'
				controller.enqueue(encode({ failed: message }))
				controller.close()
			}
		},
		async cancel() {
			await lines.return(undefined)
		},
	})
}
