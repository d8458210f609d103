declare module 'jstat' {
	const jStat: {
		binomial: { cdf(k: number, n: number, p: number): number }
		normal: {
			cdf(x: number, mean: number, sd: number): number
			pdf(x: number, mean: number, sd: number): number
			inv(p: number, mean: number, sd: number): number
		}
		erfc(x: number): number
		combination(n: number, k: number): number
		factorial(n: number): number
		mean(values: readonly number[]): number
		/** Of a sample, where so said. */
		stdev(values: readonly number[], isSample?: boolean): number
	}
	export default jStat
}
