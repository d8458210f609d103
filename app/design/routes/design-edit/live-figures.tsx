import { useMemo } from 'react'
import { allergensOf } from '../../../../core/design/allergens'
import { measureDesign, type DesignFigures } from '../../../../core/design/design-figures'
import type { Design } from '../../../../core/design/design'
import { measureRings } from '../../../../core/design/flower-geometry'
import { keepValidPicks, resolveDesign, type Picks } from '../../../../core/design/resolve-design'
import { reviewDesign } from '../../../../core/design/review/review-design'
import type { GaugeStandard } from '../../../../core/materials/wire-gauge'
import { DesignFigureList } from '../../components/design-figures/design-figures'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { RingList } from '../../components/flower-picture/ring-list'
import { count, duration, wait } from '../../../shared/words/times'
import { useEditing } from './editing'
import { ReviewList } from './review-list'

interface LiveFiguresProps {
	design: Design
	saved: Design
	picks: Picks
	/** The fields of what is chosen, between the picture and the figures. */
	children: React.ReactNode
}

/** What follows from the design as it stands: its picture, what changed since it was saved, its figures and review. */
export function LiveFigures({ design, saved, picks, children }: LiveFiguresProps) {
	const { gaugeStandard } = useEditing()
	const now = useMemo(() => look(design, picks, gaugeStandard), [design, picks, gaugeStandard])
	const before = useMemo(() => look(saved, picks, gaugeStandard), [saved, picks, gaugeStandard])
	// Names and minutes change nothing in the picture: it is drawn anew only when something in it does.
	const { parts, layers } = now.resolved
	const drawnKey = JSON.stringify([parts.map(({ id, form, tint }) => [id, form, tint]), layers])
	// eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for all that is drawn
	const pictures = useMemo(() => <Pictures now={now} />, [drawnKey])
	return (
		<>
			<section className="sheet" aria-label="Picture">
				{pictures}
				<p className="editor-sum">{sum(now.figures)}</p>
				<p className="soft small" aria-live="polite">
					{sinceSaved(before.figures, now.figures)}
				</p>
			</section>
			{children}
			<ReviewList findings={now.findings} />
			<section className="sheet stack" aria-label="Figures">
				<h2>Figures</h2>
				<RingList rings={now.rings} />
				<DesignFigureList figures={now.figures} allergens={now.allergens} />
			</section>
		</>
	)
}

function Pictures({ now: { resolved, rings } }: { now: ReturnType<typeof look> }) {
	return (
		<div className="editor-pictures">
			<FlowerPicture design={resolved} view="above" size={150} seed={1} rings={rings} />
			<FlowerPicture design={resolved} view="side" size={150} seed={1} />
		</div>
	)
}

function sum({ handsOnMinutes, elapsedMinutes, pasteG, wires }: DesignFigures): string {
	const wireCount = wires.reduce((total, { count: one }) => total + one, 0)
	return `${duration(handsOnMinutes)} of work, ${wait(elapsedMinutes)} with drying · ${pasteG.toFixed(1)} g of paste · ${wireCount === 0 ? 'no wires' : count(wireCount, 'wire')}`
}

function look(design: Design, picks: Picks, standard: GaugeStandard) {
	const resolved = resolveDesign(design, keepValidPicks(design, picks))
	return {
		resolved,
		figures: measureDesign(resolved, standard),
		rings: measureRings(resolved.parts, resolved.layers),
		allergens: allergensOf(resolved),
		findings: reviewDesign(design, resolved.picks, standard),
	}
}

function sinceSaved(before: DesignFigures, now: DesignFigures): string {
	const signed = (value: number, unit: string, digits = 0) =>
		`${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(digits)} ${unit}`
	const wires = (figures: DesignFigures) => figures.wires.reduce((total, { count }) => total + count, 0)
	const changes = [
		{ by: now.handsOnMinutes - before.handsOnMinutes, unit: 'min of work' },
		{ by: now.elapsedMinutes - before.elapsedMinutes, unit: 'min with drying' },
		{ by: now.pasteG - before.pasteG, unit: 'g of paste', digits: 1 },
		{ by: wires(now) - wires(before), unit: 'wires' },
	].filter(({ by, digits = 0 }) => Math.abs(by) >= 0.5 * 10 ** -digits)
	if (changes.length === 0) return 'Figures as they were saved.'
	return `Since it was saved: ${changes.map(({ by, unit, digits }) => signed(by, unit, digits)).join(', ')}.`
}
