/** Check values of the drying model, made by two independent programs from its description. */
import checks from '../fixtures/drying-checks.json'
import type { AirMovement } from '../../core/drying/air-film'

export interface DryingChecks {
	series: {
		geometry: 'slab' | 'cylinder' | 'sphere'
		Bi: number
		Fo: number
		mean: number
		centre: number
		surface: number
	}[]
	semiInfinite: { kx_over_D: number; k_sqrtDt_over_D: number; theta: number }[]
	humidAir: {
		T: number
		RH: number
		psat_Pa: number
		dewPoint_C: number
		absHum_g_m3: number
		mixingRatio_g_kg: number
	}[]
	film: {
		T: number
		u: number
		geom: 'slab' | 'cyl' | 'sph'
		Lc_m: number
		hc: number
		hm: number
		cool: number
		heff: number
	}[]
	isotherm: { paste: string; aw: number; Xeq: number }[]
	D_gum: { T: number; D: number }[]
	predictions: { piece: unknown; env: unknown; hours_fineGrid: Record<string, number | null> }[]
	bayes: {
		observations: { tm: number; lo: number; hi: number | null }[]
		predictFor_tm: number
		after: { n: number; mean_u: number; sd_u: number; P10: number; P50: number; P90: number }[]
	}
	waits_seconds: {
		env: CheckAir
		gel: number
		strongAlcohol: number
		glaze: number
		glueGrip: number
		glueSet: number
	}[]
	fridge: { Tpiece: number; env: CheckAir; L_m: number; condenses: boolean; T_ok_C: number; seconds: number }[]
}

export interface CheckAir {
	T: number
	RH: number
	air: AirMovement
}

export const dryingChecks = checks as DryingChecks
