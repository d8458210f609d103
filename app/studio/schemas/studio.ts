import { array, mixed, number, object, string, type InferType } from 'yup'
import type { Paste } from '../../../core/vocabulary/paste'
import { PASTE_TERMS } from '../../../core/drying/paste-terms'
import { PAPERS, type PaperName } from '../../../core/outlines/template-sheet'
import { UNIT_SYSTEMS, type UnitSystem } from '../../../core/materials/units'
import type { GaugeStandard } from '../../../core/materials/wire-gauge'
import { isTimeZone } from '../../../core/time/zone'
import { rowVersion } from '../../shared/schemas/row-version'

const between = (min: number, max: number) => {
	const words = `A number from ${min} to ${max}`
	return number().typeError(words).required(words).min(min, words).max(max, words)
}

/** A weight of the planner is whole. */
const weight = () => between(0, 100).integer('A whole number from 0 to 100')

const minutes = (max: number) => between(0, max).integer(`Whole minutes from 0 to ${max}`)

const PASTES = Object.keys(PASTE_TERMS) as Paste[]

export const studioSchema = object({
	name: string().trim().required('Give the studio a name').max(120, 'At most 120 characters'),
	timeZone: string()
		.required('Choose a time zone')
		.max(60)
		.test('zone', 'There is no such time zone', (value) => value === undefined || isTimeZone(value)),
	gaugeStandard: mixed<GaugeStandard>().oneOf(['swg', 'awg'], 'Choose a gauge table').required('Choose a gauge table'),
	wireLengthsMm: array(
		number()
			.typeError('A length is a number')
			.required('The length is missing')
			.integer('Whole millimetres')
			.min(100, 'At least 100 mm')
			.max(2000, 'At most 2000 mm'),
	)
		.required()
		.min(1, 'At least one length')
		.max(5, 'At most 5 lengths'),
	dryingConfidence: number().oneOf([0.5, 0.8, 0.9, 0.95], 'Choose how sure').required('Choose how sure'),
	readingMaxAgeMinutes: number()
		.typeError('Whole minutes from 5 to 10080')
		.required('Whole minutes from 5 to 10080')
		.integer('Whole minutes from 5 to 10080')
		.min(5, 'Whole minutes from 5 to 10080')
		.max(10_080, 'Whole minutes from 5 to 10080'),
	ownPastes: array(
		object({
			name: string().trim().required('Give the paste a name').max(60, 'At most 60 characters'),
			like: mixed<Paste>()
				.oneOf(PASTES, 'Choose the paste that it is like')
				.required('Choose the paste that it is like'),
			paceFactor: number()
				.typeError('A number from 0.25 to 4')
				.required('A number from 0.25 to 4')
				.min(0.25, 'A number from 0.25 to 4')
				.max(4, 'A number from 0.25 to 4'),
		}).noUnknown(),
	)
		.default([])
		.max(12, 'At most 12 pastes'),
	units: mixed<UnitSystem>().oneOf(UNIT_SYSTEMS, 'Choose the units').required('Choose the units'),
	paper: mixed<PaperName>()
		.oneOf(Object.keys(PAPERS) as PaperName[], 'Choose the sheets')
		.required('Choose the sheets'),
	kitTerms: object({
		boardWidthMm: between(50, 2000),
		boardHeightMm: between(50, 2000),
		gapMm: between(0, 20),
		rerollLoss: between(0, 0.5),
		reserveShare: between(0, 1),
		handlingShare: between(0, 2),
		leastLumpG: between(0, 500),
		minOffcutMm: between(1, 1000).integer('Whole millimetres'),
		tapeStretch: between(1, 3),
		trayWidthMm: between(50, 2000),
		trayHeightMm: between(50, 2000),
		boughtReady: array(mixed<Paste>().oneOf(PASTES, 'Choose pastes of the trade').required())
			.default([])
			.max(PASTES.length),
		currency: string().trim().required('A sign, such as €').max(4, 'At most 4 characters'),
		gelGPer100G: object({
			white: between(0, 20),
			pastel: between(0, 20),
			mid: between(0, 20),
			deep: between(0, 20),
		}).noUnknown(),
	}).noUnknown(),
	strainTerms: object({
		waiting: weight(),
		split: weight(),
		crowding: weight(),
		apart: weight(),
		bufferShare: between(0, 0.5),
	}).noUnknown(),
	prepTerms: object({
		orderMinutes: minutes(240),
		colourMinutes: minutes(240),
		restMinutes: minutes(7 * 1440),
		glueMinutes: minutes(240),
		glueRestMinutes: minutes(7 * 1440),
		wireMinutes: between(0, 10),
		printMinutes: minutes(480),
		toolsMinutes: minutes(480),
		packMinutes: minutes(120),
		lookMinutes: minutes(120),
		longestGoMinutes: between(10, 480).integer('Whole minutes from 10 to 480'),
		leaveMinutes: minutes(1440),
		earliestDays: between(1, 120).integer('Whole days from 1 to 120'),
	}).noUnknown(),
	peopleMonths: between(0, 120).integer('Whole months from 0 to 120'),
	version: rowVersion(),
}).noUnknown()

export type StudioInput = InferType<typeof studioSchema>
