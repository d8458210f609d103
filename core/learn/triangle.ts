/** A triangle of equations solved for several right sides together. */

/** A right side of L x = b, and from its solving on the solution. */
export interface Sought {
	vector: Float64Array
	/** Of its places that are not 0. */
	first: number
}

/** So many right sides go through the triangle at once. */
export const AT_ONCE = 4

/** L⁻¹ of each, in its place; of at most four. */
export function solveTogether(triangle: readonly (readonly number[])[], sought: readonly Sought[]): void {
	const [a, ...others] = sought.map(({ vector }) => vector)
	if (!a) return
	// Where there are fewer, all the same.
	const [b = new Float64Array(a.length), c = new Float64Array(a.length), d = new Float64Array(a.length)] = others
	for (let row = Math.min(...sought.map(({ first }) => first)), from = row; row < a.length; row++) {
		const own = triangle[row]!
		let ofA = a[row]!
		let ofB = b[row]!
		let ofC = c[row]!
		let ofD = d[row]!
		// Side by side they do not wait for one another, and the row is read once.
		for (let e = from; e < row; e++) {
			const entry = own[e]!
			ofA -= entry * a[e]!
			ofB -= entry * b[e]!
			ofC -= entry * c[e]!
			ofD -= entry * d[e]!
		}
		const diagonal = own[row]!
		a[row] = ofA / diagonal
		b[row] = ofB / diagonal
		c[row] = ofC / diagonal
		d[row] = ofD / diagonal
	}
}
