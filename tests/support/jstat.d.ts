declare module 'jstat' {
	const jStat: {
		binomial: { cdf(k: number, n: number, p: number): number }
		normal: { cdf(x: number, mean: number, sd: number): number }
		erfc(x: number): number
	}
	export default jStat
}
