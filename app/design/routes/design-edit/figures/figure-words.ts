/** The figures of a design in one line, and what has changed of them. */
import type { DesignFigures } from '../../../../../core/design/design-figures'
import { count, duration, wait } from '../../../../shared/words/times'

/** '2 h 08 of work, 19 h with drying · 38.7 g of paste · 12 wires'. */
export function sumWords({ handsOnMinutes, elapsedMinutes, pasteG, wires }: DesignFigures): string {
	const wireCount = countWires(wires)
	return `${duration(handsOnMinutes)} of work, ${wait(elapsedMinutes)} with drying · ${pasteG.toFixed(1)} g of paste · ${wireCount === 0 ? 'no wires' : count(wireCount, 'wire')}`
}

function countWires(wires: DesignFigures['wires']): number {
	return wires.reduce((total, { count: one }) => total + one, 0)
}

/** 'Since it was saved: +12 min of work, −3 wires.' Nothing below what is shown is told. */
export function changeWords(before: DesignFigures, now: DesignFigures): string {
	const signed = (value: number, unit: string, digits = 0) =>
		`${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(digits)} ${unit}`
	const changes = [
		{ by: now.handsOnMinutes - before.handsOnMinutes, unit: 'min of work' },
		{ by: now.elapsedMinutes - before.elapsedMinutes, unit: 'min with drying' },
		{ by: now.pasteG - before.pasteG, unit: 'g of paste', digits: 1 },
		{ by: countWires(now.wires) - countWires(before.wires), unit: 'wires' },
	].filter(({ by, digits = 0 }) => Math.abs(by) >= 0.5 * 10 ** -digits)
	if (changes.length === 0) return 'Figures as they were saved.'
	return `Since it was saved: ${changes.map(({ by, unit, digits }) => signed(by, unit, digits)).join(', ')}.`
}
