/** Latest starts for a target finish: the priority rule of the serial generation (the least slack goes first). */
import type { NormalInstance } from '../problem/normal-form'
import type { Network } from './decisions'

/**
 * Latest start of each placed task, passed backwards through waits and windows from the close of the last window.
 * Tasks are taken as interruptible, which makes this a bound for a target that can be met.
 *
 * @returns clock minutes by task index; before the first opening where the target cannot be met
 * @complexity O(waits + tasks · windows)
 */
export function latestStarts({ windows, tasks }: NormalInstance, { placed, outOf }: Network): Float64Array {
	const target = windows.at(-1)?.close ?? 0
	const latest = new Float64Array(tasks.length).fill(target)
	for (const i of [...placed].reverse()) {
		let end = target
		for (const { to, lag } of outOf[i] ?? []) end = Math.min(end, (latest[to] ?? target) - lag)
		latest[i] = goBack(windows, end, tasks[i]?.minutes ?? 0)
	}
	return latest
}

/** The clock time from which `minutes` of open windows lie before `end`. */
function goBack(windows: NormalInstance['windows'], end: number, minutes: number): number {
	let left = minutes
	for (let w = windows.length - 1; w >= 0; w--) {
		const window = windows[w]
		if (!window || window.open >= end) continue
		const usable = Math.min(window.close, end) - window.open
		if (usable >= left) return Math.min(window.close, end) - left
		left -= usable
	}
	return Math.min(end, windows[0]?.open ?? 0) - left
}
