/** Speed of the kits of a large course, of a nested sheet, and of a pooled cutting plan. */
import { planCourse, resolveCourse } from '../../core/plan/plan-course'
import { packClassKit } from '../../core/kit/class-kit'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import { listNeeds } from '../../core/kit/shopping-list'
import { cutWires } from '../../core/materials/cutting-plan'
import { HEXAGONAL_DENSITY, nestOutline, toCutPiece } from '../../core/materials/sheets/nest-pieces'
import { cutOutline } from '../../core/outlines/families'
import { createRng } from '../../core/random'
import { demoCourse, demoDesign } from '../support/demo-designs'
import { report, tell, time } from './measure'

console.log('\nKits')
const ids = ['magnolia', 'ranunculus', 'sweet-pea-spray']
const course = {
	...demoCourse('Magnolia on Thursdays'),
	studentCount: 16,
	designs: ids.map((designId) => ({ designId, flowersPerStudent: 1, picks: {} })),
}
const documents = ids.map(demoDesign)
const { compiled, plan } = planCourse(course, documents)
const designs = resolveCourse(course, documents)
if (plan) {
	let gapMm = 2
	const pack = () => {
		// Another gap each time: nothing that was nested before is known.
		gapMm += 0.001
		const terms = { ...USUAL_KIT_TERMS, gapMm }
		return listNeeds(packClassKit(course, designs, { compiled, plan, studio: { stockLengthsMm: [360], terms } }))
	}
	report('  16 students, 3 designs, nothing known before', tell(time(5, pack)))
}

for (const outline of ['circle', 'petal', 'heart', 'calyx'] as const) {
	let k = 0
	let best = 0
	const nest = () => {
		const form = { type: 'cut' as const, outline, widthMm: 30, lengthMm: outline === 'petal' ? 45 : 30, thicknessMm: 1 }
		const piece = toCutPiece('piece', cutOutline(form), { key: `${outline} ${k++}`, gapMm: 0 })
		for (let widthMm = 100; widthMm <= 300; widthMm += 4) {
			const { count, heightMm } = nestOutline(piece, { widthMm, heightMm: 2000, mostPieces: 60 })
			if (count === 60) best = Math.max(best, (60 * piece.areaMm2) / (widthMm * heightMm))
		}
	}
	const speed = tell(time(5, nest))
	const share = outline === 'circle' ? `, ${Math.round((100 * best) / HEXAGONAL_DENSITY)} % of the hexagonal bound` : ''
	report(`  60 of ${outline} on one sheet: ${Math.round(100 * best)} % of it${share}`, speed)
}

for (const lengths of [5, 8, 12]) {
	const rng = createRng(lengths)
	const demands = Array.from({ length: lengths }, () => ({
		lengthMm: 60 + Math.floor(rng() * 26) * 5,
		count: Math.ceil(400 / lengths),
	}))
	const { wires, minWireCount, isProven } = cutWires(demands, [360])
	const state = isProven ? 'proven' : `bound ${minWireCount}`
	report(`  400 wires of ${lengths} lengths: ${wires.length}, ${state}`, tell(time(3, () => cutWires(demands, [360]))))
}
