/**
 * Typical climates of rooms by season and heating, to begin with until a hygrometer says better. Common practice, no
 * source: temperate coast; every value can be changed.
 */
import type { AirMovement } from './air-film'
import type { Air, Climate } from './climate'

export interface ClimatePreset {
	id: string
	name: string
	climate: Climate
	movement: AirMovement
}

export const CLIMATE_PRESETS: readonly ClimatePreset[] = [
	preset('heated-winter', 'Winter, heated', 21, 0.42),
	preset('spring-autumn', 'Spring or autumn', 20, 0.55),
	preset('summer', 'Summer, windows open', 24, 0.58),
	preset('damp-summer', 'Sultry summer', 27, 0.68),
	preset('cooled', 'Cooled by a machine', 22, 0.45),
	preset('dried', 'With a dehumidifier', 21, 0.4),
	{
		id: 'hall',
		name: 'Hall, heated for classes only',
		climate: { type: 'day', hours: dayCourse({ low: 15, high: 20, wettest: 0.68, driest: 0.52 }) },
		movement: 'airy',
	},
	{
		id: 'cupboard',
		name: 'Dry cupboard at night',
		climate: { type: 'steady', temperatureC: 22, humidity: 0.4 },
		movement: 'still',
	},
	{ id: 'box', name: 'Closed box', climate: { type: 'steady', temperatureC: 20, humidity: 0.6 }, movement: 'sealed' },
]

/**
 * A room whose air stays as it is, with nobody moving it.
 *
 * @param humidity - relative, in (0, 1)
 */
function preset(id: string, name: string, temperatureC: number, humidity: number): ClimatePreset {
	return { id, name, climate: { type: 'steady', temperatureC, humidity }, movement: 'still' }
}

/** A day that is coldest at five and warmest at five in the afternoon, dampest when it is coldest. */
export function dayCourse(range: { low: number; high: number; wettest: number; driest: number }): Air[] {
	return Array.from({ length: 24 }, (_, hour) => {
		const warmth = (1 - Math.cos(((hour - 5) / 12) * Math.PI)) / 2
		return {
			temperatureC: Math.round((range.low + warmth * (range.high - range.low)) * 10) / 10,
			humidity: Math.round((range.wettest - warmth * (range.wettest - range.driest)) * 1000) / 1000,
		}
	})
}
