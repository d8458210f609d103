/** Timing in milliseconds, and what is printed of it. */

export interface Timing {
	median: number
	p95: number
	worst: number
}

/** Runs the work so many times after a warm-up. */
export function time(runs: number, work: () => unknown): Timing {
	work()
	return summarise(
		Array.from({ length: runs }, () => {
			const started = performance.now()
			work()
			return performance.now() - started
		}),
	)
}

/** Order statistics of at least one value, by the nearest rank. */
export function summarise(values: readonly number[]): Timing {
	const sorted = values.toSorted((a, b) => a - b)
	const at = (share: number) => sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? NaN
	return { median: at(0.5), p95: at(0.95), worst: at(1) }
}

/** '12.3 ms (p95 14.0, worst 15.2)'. */
export function tell({ median, p95, worst }: Timing): string {
	return `${median.toFixed(1)} ms (p95 ${p95.toFixed(1)}, worst ${worst.toFixed(1)})`
}

/** A line of the report; the aim stands beside the figure, met or not. */
export function report(name: string, figure: string, aim = ''): void {
	console.log(`${name.padEnd(58)} ${figure}${aim && `   aim: ${aim}`}`)
}
