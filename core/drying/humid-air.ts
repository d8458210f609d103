/**
 * Humid air near one atmosphere: saturation, dew point, vapour density, mixing ratio, and what heating does to it.
 * Magnus form without an enhancement factor: about 0.25 % under reference tables at 20 °C.
 * Source: Alduchov & Eskridge 1996, J. Appl. Meteorol. 35:601 (from memory); -40 to 50 °C.
 */

/** Of the Magnus form e = a exp(b T / (c + T)), T in °C. */
const MAGNUS_PA = 610.94
const MAGNUS_A = 17.625
const MAGNUS_B = 243.04
/** J/(kg K), of water vapour. */
const VAPOUR_GAS_CONSTANT = 461.5
/** Standard atmosphere: what the height of a place and its weather change is less than other doubts. */
const PRESSURE_PA = 101_325
/** Mass of a molecule of water against one of dry air. */
const MOLAR_RATIO = 0.621945
export const KELVIN = 273.15

/** Saturation vapour pressure over water in Pa. */
export function saturationPressurePa(temperatureC: number): number {
	return MAGNUS_PA * Math.exp((MAGNUS_A * temperatureC) / (MAGNUS_B + temperatureC))
}

/** Density of saturated vapour in kg/m³. */
export function saturationDensity(temperatureC: number): number {
	return saturationPressurePa(temperatureC) / (VAPOUR_GAS_CONSTANT * (temperatureC + KELVIN))
}

/** Change of the density of saturated vapour with temperature in kg/(m³ K). */
export function saturationDensitySlope(temperatureC: number): number {
	const perKelvin = (MAGNUS_A * MAGNUS_B) / (MAGNUS_B + temperatureC) ** 2
	return saturationDensity(temperatureC) * (perKelvin - 1 / (temperatureC + KELVIN))
}

/** @param humidity - relative, in (0, 1] */
export function dewPointC(temperatureC: number, humidity: number): number {
	const g = Math.log(humidity) + (MAGNUS_A * temperatureC) / (MAGNUS_B + temperatureC)
	return (MAGNUS_B * g) / (MAGNUS_A - g)
}

/** Water in the air in kg/m³. */
export function vapourDensity(temperatureC: number, humidity: number): number {
	return humidity * saturationDensity(temperatureC)
}

/** Water in kg per kg of dry air. */
export function mixingRatio(temperatureC: number, humidity: number): number {
	const pressure = humidity * saturationPressurePa(temperatureC)
	return (MOLAR_RATIO * pressure) / (PRESSURE_PA - pressure)
}

/** Relative humidity of the same air at another temperature: its vapour pressure stays; capped at 1. */
export function humidityAt(temperatureC: number, air: { temperatureC: number; humidity: number }): number {
	return Math.min(1, (air.humidity * saturationPressurePa(air.temperatureC)) / saturationPressurePa(temperatureC))
}
