/** Many windows that write the same things at once: nobody sees a deadlock, and nothing is written over unseen. */
import { ask, postForm, type Target } from './target'

export interface WriterReport {
	answers: number
	/** By status. */
	byStatus: Record<number, number>
	/** Savings that were taken, of windows that all had read the same version: one at most may be. */
	takenOfOneVersion: number[]
}

export async function writeInParallel(target: Target, { rounds }: { rounds: number }): Promise<WriterReport> {
	const report: WriterReport = { answers: 0, byStatus: {}, takenOfOneVersion: [] }
	const note = ({ status }: { status: number }) => {
		report.answers++
		report.byStatus[status] = (report.byStatus[status] ?? 0) + 1
		return status
	}
	for (let round = 0; round < rounds; round++) {
		const csv = ['kind,name,unit,on hand,supplier,lead days,delivery,pack,price']
		for (let k = 0; k < 60; k++) csv.push(`tool,shared ${(k * 7 + round) % 60},,${k},Shop ${k % 5},1,0,1,2.5`)
		const day = String(1 + (round % 27)).padStart(2, '0')
		const readings = Array.from({ length: 60 }, (_, m) => `2026-02-${day}T18:${String(m).padStart(2, '0')} 20 50`)
		const backwards = readings.toReversed()
		const mixed = Array.from({ length: 4 }, (_, k) => [
			postForm(target, '/stock', { intent: 'import', text: csv.join('\r\n') }),
			postForm(target, '/stock', { intent: 'import', text: [csv[0], ...csv.slice(1).reverse()].join('\r\n') }),
			postForm(target, '/rooms/1', { intent: 'import', text: (k % 2 === 0 ? readings : backwards).join('\n') }),
			ask(target, '/courses/1/kits/packing/ticks', {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify({ intent: 'unpack', ticks: [{ seat: k, line: 'tool:x', amount: 1 }] }),
			}),
		]).flat()
		for (const answer of await Promise.all(mixed)) note(answer)
		const people = Array.from({ length: 8 }, (_, k) =>
			ask(target, '/courses/2/kits/people', {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify({ students: [{ name: `Window ${k}` }], version: 2 + round }),
			}),
		)
		const taken = (await Promise.all(people)).map(note).filter((status) => status === 200)
		report.takenOfOneVersion.push(taken.length)
	}
	return report
}
