import { memo, useMemo } from 'react'
import type { DesignFigures } from '../../../../../core/design/design-figures'
import { FlowerPicture } from '../../../components/flower-picture/flower-picture'
import { count, duration, wait } from '../../../../shared/words/times'
import type { Look } from './use-look'

const PICTURE_PX = 108

/** The flower as it stands, its sums, and what has changed since it was saved. */
export const PicturePanel = memo(function PicturePanel({ now, before }: { now: Look; before: Look }) {
	// Names and minutes change nothing in the picture: it is drawn anew only when something in it does.
	const { parts, layers } = now.resolved
	const drawnKey = JSON.stringify([parts.map(({ id, form, tint }) => [id, form, tint]), layers])
	// eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for all that is drawn
	const pictures = useMemo(() => <Pictures look={now} />, [drawnKey])
	return (
		<section className="sheet editor-picture" aria-label="Picture">
			{pictures}
			<div>
				<p className="editor-sum">{sumWords(now.figures)}</p>
				<p className="soft small" aria-live="polite">
					{changeWords(before.figures, now.figures)}
				</p>
			</div>
		</section>
	)
})

function Pictures({ look: { resolved, rings } }: { look: Look }) {
	return (
		<div className="editor-pictures">
			<FlowerPicture design={resolved} view="above" size={PICTURE_PX} seed={1} rings={rings} />
			<FlowerPicture design={resolved} view="side" size={PICTURE_PX} seed={1} />
		</div>
	)
}

function sumWords({ handsOnMinutes, elapsedMinutes, pasteG, wires }: DesignFigures): string {
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
