/**
 * The model against what makers say (common practice, no source; intervals are a reading of their wording). Most are
 * one-sided, so that this is a weak test; misfits are shown and counted, not hidden.
 */
import { expect, test } from 'vitest'
import type { DryingPath } from '../../../core/drying/climate'
import type { DryingPiece } from '../../../core/drying/drying-piece'
import type { DryingStage } from '../../../core/vocabulary/drying-stage'
import { predictStages } from '../../../core/drying/predict-stages'
import { ball, piece, room, sheet } from '../../support/dry-piece'

interface Fact {
	name: string
	piece: DryingPiece
	path?: DryingPath
	stage: DryingStage
	/** Hours; Infinity as the least: never. */
	from: number
	to: number
}

const MODELLING = 'modelling paste'
const STIFF = 'stiffened sugarpaste'
const damp = room(0.68, 29, 'fan')

const FACTS: Fact[] = [
	{ name: 'a thin petal is dusted lightly soon', piece: sheet(0.4), stage: 'touch', from: 0.33, to: 1 },
	{ name: 'so is a usual one', piece: sheet(0.7), stage: 'touch', from: 0.33, to: 1 },
	{ name: 'a thin petal is firm after a few hours', piece: sheet(0.4), stage: 'firm', from: 1.5, to: 5 },
	{ name: 'a petal is firm after a few hours', piece: sheet(0.6), stage: 'firm', from: 2, to: 6 },
	{ name: 'solid at a day', piece: sheet(0.7), stage: 'hard', from: 0, to: 24 },
	{ name: 'solid at a day on foam', piece: sheet(0.7, 'foam'), stage: 'hard', from: 0, to: 24 },
	{ name: 'wired, over night', piece: sheet(0.6, 'foam'), stage: 'firm', from: 0, to: 14 },
	{ name: 'a large petal in tissue, two days', piece: sheet(0.8, 'tissue'), stage: 'hard', from: 0, to: 48 },
	{ name: 'a large petal on foam, two days', piece: sheet(1, 'foam'), stage: 'hard', from: 0, to: 48 },
	{ name: 'dry-brushed after 3 to 5 min', piece: sheet(1.25), path: damp, stage: 'skin', from: 0.05, to: 0.083 },
	{ name: 'a leaf over night', piece: sheet(1), stage: 'hard', from: 0, to: 14 },
	{ name: 'a thick leaf over night', piece: sheet(1.5), stage: 'hard', from: 0, to: 14 },
	{ name: 'a pressed loop, a night', piece: sheet(1, 'tissue'), stage: 'hard', from: 0, to: 14 },
	{ name: 'a ball of 20 mm, a night', piece: ball(10), stage: 'hard', from: 0, to: 14 },
	{ name: 'a centre of 12.5 mm, a day', piece: ball(6.25), stage: 'hard', from: 0, to: 24 },
	{ name: 'a wrapped flower keeps its shape at a day', piece: ball(15, MODELLING), stage: 'set', from: 0, to: 24 },
	{ name: 'and is still soft inside', piece: ball(15, MODELLING), stage: 'hard', from: 24, to: Infinity },
	{ name: 'sugarpaste skins within the hour', piece: sheet(4, 'board', 'sugarpaste'), stage: 'skin', from: 0, to: 1 },
	{ name: 'sugarpaste is soft at a day', piece: sheet(4, 'board', 'sugarpaste'), stage: 'set', from: 24, to: Infinity },
	{
		name: 'sugarpaste never gets firm',
		piece: sheet(4, 'board', 'sugarpaste'),
		stage: 'firm',
		from: Infinity,
		to: Infinity,
	},
	{ name: 'a figure holds at a day', piece: ball(15, STIFF), stage: 'set', from: 0, to: 24 },
	{ name: 'and is soft inside', piece: ball(15, STIFF), stage: 'hard', from: 24, to: Infinity },
	{
		name: 'a rod of 9 mm on a wire, a week',
		piece: piece({ type: 'cylinder', radiusMm: 4.5, wireRadiusMm: 0.5 }, STIFF),
		stage: 'hard',
		from: 48,
		to: 168,
	},
	{ name: 'a stiffened leaf holds over night', piece: sheet(1.5, 'foam', STIFF), stage: 'set', from: 0, to: 14 },
	{ name: 'a round of 25 mm holds over night', piece: ball(12.5, STIFF), stage: 'set', from: 0, to: 14 },
]

/** Known misfits, by how far: too early, and too late. */
const MISFITS: Record<string, number> = {
	'a thin petal is firm after a few hours': 1.11,
	'a ball of 20 mm, a night': 1.07,
}

test('25 statements of practice, of which two are missed by a little', () => {
	const rows = FACTS.map(({ name, piece: made, path = room(), stage, from, to }) => {
		const hours = predictStages(made, path)[stage] ?? Infinity
		const miss = hours < from ? from / hours : hours > to ? hours / to : 1
		return {
			name,
			stage,
			practice: `${from}–${to} h`,
			model: Number(hours.toPrecision(3)),
			miss: Number(miss.toFixed(2)),
		}
	})
	console.table(rows)

	const missed = rows.filter(({ miss }) => miss > 1)

	expect(missed.map(({ name }) => name).toSorted()).toEqual(Object.keys(MISFITS).toSorted())
	for (const { name, miss } of missed) expect(miss).toBeLessThanOrEqual(MISFITS[name] ?? 1)
})
