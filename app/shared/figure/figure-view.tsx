import type { Figure, FigureShape } from './figure'

interface FigureViewProps {
	figure: Figure
	className?: string
	/** Width and height in px; absent: as large as its place. */
	size?: number
	/** Drawn over it, in the drawing's units. */
	children?: React.ReactNode
}

/** A described drawing as SVG. */
export function FigureView({ figure, className, size, children }: FigureViewProps) {
	return (
		<svg
			xmlns="http://www.w3.org/2000/svg"
			{...(className !== undefined && { className })}
			viewBox={figure.box.map(round).join(' ')}
			{...(size !== undefined && { width: size, height: size })}
			role="img"
			aria-label={figure.label}
		>
			{figure.shapes.map((shape, s) => (
				<Shape key={s} shape={shape} />
			))}
			{children}
		</svg>
	)
}

function Shape({ shape }: { shape: FigureShape }) {
	if (shape.type === 'words') {
		const { text, x, y, size, anchor = 'start', isBold = false, colour = 'currentColor' } = shape
		return (
			<text x={round(x)} y={round(y)} fontSize={size} textAnchor={anchor} fontWeight={isBold ? 650 : 400} fill={colour}>
				{text}
			</text>
		)
	}
	const { path, matrix, fill = 'none', line, opacity } = shape
	return (
		<path
			d={path}
			fill={fill}
			{...(matrix && { transform: `matrix(${matrix.map(round).join(' ')})` })}
			{...(opacity !== undefined && { opacity })}
			{...(line && {
				stroke: line.colour,
				strokeWidth: line.width,
				strokeLinejoin: 'round' as const,
				strokeLinecap: 'round' as const,
				vectorEffect: 'non-scaling-stroke' as const,
				...(line.dash && { strokeDasharray: line.dash.join(' ') }),
			})}
		/>
	)
}

function round(value: number): number {
	return Math.round(value * 1000) / 1000
}
