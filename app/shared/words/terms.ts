/** The words of the trade for values of the model. */
import type { Pace, PlanFor } from '../../../core/course/course'
import type { DesignKind } from '../../../core/design/design'
import type { PartForm } from '../../../core/vocabulary/piece-form'
import type { PaperName } from '../../../core/outlines/template-sheet'
import type { GaugeStandard } from '../../../core/materials/wire-gauge'

/** Sheets to print on. */
export const PAPER_OPTIONS: { value: PaperName; label: string }[] = [
	{ value: 'a4', label: 'A4' },
	{ value: 'letter', label: 'Letter' },
]

export const PACE_WORDS: Record<Pace, string> = {
	practised: 'Practised',
	improvers: 'Improvers',
	beginners: 'Beginners',
	children: 'Children',
	mixed: 'Mixed',
}

export const PLAN_FOR_WORDS: Record<PlanFor, string> = {
	middle: 'the student in the middle',
	slower: 'the slower ones: 8 in 10 keep up',
	slowest: 'nearly all: 9 in 10 keep up',
}

export const KIND_WORDS: Record<DesignKind, string> = {
	flower: 'Flower',
	foliage: 'Foliage',
	ornament: 'Ornament',
	topper: 'Topper',
}

export const GAUGE_WORDS: Record<GaugeStandard, string> = {
	swg: 'Standard Wire Gauge (BS 3737)',
	awg: 'American Wire Gauge (ASTM B258)',
}

/** 'petal 42 × 66 mm, 0.8 mm thick'. */
export function describeForm(form: PartForm): string {
	switch (form.type) {
		case 'cut':
			return `${form.outline} ${form.widthMm} × ${form.lengthMm} mm, ${form.thicknessMm} mm thick`
		case 'formed':
			return `${form.body} ${form.diameterMm}${form.lengthMm ? ` × ${form.lengthMm}` : ''} mm`
		case 'moulded':
			return `moulded, ${form.massG} g each`
		case 'bought':
			return `bought: ${form.item}`
		case 'derived':
			return `${form.piecesEach} from each of another part`
	}
}

/** 'Level 3: some practice'. */
export function describeLevel(level: number): string {
	return ['', 'first lesson', 'a few lessons', 'some practice', 'much practice', 'masterly'][level] ?? String(level)
}
