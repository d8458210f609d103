import type { CuttingPlan, CutWire } from '../../../../core/materials/cutting-plan'

const BAR_WIDTH = 560
const BAR_HEIGHT = 26
const ROW = 34
const COUNT_WIDTH = 52

/** The cutting plan drawn: one bar for each way of cutting a wire, with how many wires are cut so. */
export function CuttingBars({ plan }: { plan: CuttingPlan }) {
	const rows = groupAlike(plan.wires)
	const longest = Math.max(...plan.wires.map(({ stockLengthMm }) => stockLengthMm), 1)
	const scale = BAR_WIDTH / longest
	return (
		<svg
			className="cutting-bars"
			viewBox={`0 0 ${COUNT_WIDTH + BAR_WIDTH + 4} ${rows.length * ROW}`}
			role="img"
			aria-label={describe(rows)}
		>
			{rows.map(({ wire, wireCount }, r) => (
				<g key={r} transform={`translate(0 ${r * ROW + 3})`}>
					<text x={COUNT_WIDTH - 12} y={18} textAnchor="end" className="bar-count">
						{wireCount} ×
					</text>
					<rect x={COUNT_WIDTH} width={wire.stockLengthMm * scale} height={BAR_HEIGHT} className="bar-stock" />
					{placePieces(wire).map(({ startMm, lengthMm }, p) => (
						<g key={p}>
							<rect
								x={COUNT_WIDTH + startMm * scale}
								width={lengthMm * scale}
								height={BAR_HEIGHT}
								className="bar-piece"
							/>
							<text x={COUNT_WIDTH + (startMm + lengthMm / 2) * scale} y={18} textAnchor="middle">
								{lengthMm / 10}
							</text>
						</g>
					))}
				</g>
			))}
		</svg>
	)
}

interface BarRow {
	wire: CutWire
	wireCount: number
}

function groupAlike(wires: readonly CutWire[]): BarRow[] {
	const rows = new Map<string, BarRow>()
	for (const wire of wires) {
		const key = `${wire.stockLengthMm} ${wire.piecesMm.join()}`
		const row = rows.get(key)
		rows.set(key, { wire, wireCount: (row?.wireCount ?? 0) + 1 })
	}
	return [...rows.values()].toSorted((a, b) => b.wireCount - a.wireCount)
}

function placePieces({ piecesMm }: CutWire): { startMm: number; lengthMm: number }[] {
	return piecesMm.map((lengthMm, p) => ({
		lengthMm,
		startMm: piecesMm.slice(0, p).reduce((sum, length) => sum + length, 0),
	}))
}

function describe(rows: readonly BarRow[]): string {
	return rows
		.map(
			({ wire, wireCount }) =>
				`${wireCount} wires of ${wire.stockLengthMm / 10} cm into ${wire.piecesMm.map((mm) => mm / 10).join(', ')} cm`,
		)
		.join('; ')
}
