/**
 * Exact mean value analysis of a closed queueing network: students who think by themselves (a delay) and then need
 * tools of which there are a few (stations of several equal servers), one after another, for each piece.
 * Assumes exponential times and first come, first served: with steadier times there is a little less queueing.
 * Source: M. Reiser, S. Lavenberg, Mean-value analysis of closed multichain queuing networks, 1980; the chance of an
 * idle station by its complement network, which stays exact where 1 − Σp does not (Reiser 1981); both from memory.
 */

/** Servers that are used for so long at each turn. */
export interface Station {
	/** Whole, >= 1. */
	serverCount: number
	/** >= 0; the unit of all times. */
	serviceTime: number
}

export interface ClosedNetwork {
	/** Whole, >= 1. */
	customerCount: number
	/** Without any tool, at each turn, >= 0. */
	thinkTime: number
	stations: readonly Station[]
}

export interface NetworkMeans {
	/** Of all customers together, turns per unit of time. */
	throughput: number
	/** From one turn to the next, waiting included. */
	cycleTime: number
	/** Share of time that a server of each station is in use, in [0, 1]. */
	utilizations: number[]
}

/**
 * Means of the network.
 *
 * @throws {RangeError} a value out of its range, or no time at all in a turn
 * @complexity O(2^stations · stations · customers²)
 */
export function analyseClosedNetwork(network: ClosedNetwork): NetworkMeans {
	const { customerCount, thinkTime, stations } = network
	if (!(Number.isInteger(customerCount) && customerCount >= 1))
		throw new RangeError(`customerCount must be whole and >= 1, got ${customerCount}`)
	for (const { serverCount, serviceTime } of stations) {
		if (!(Number.isInteger(serverCount) && serverCount >= 1))
			throw new RangeError(`serverCount must be whole and >= 1, got ${serverCount}`)
		if (!(serviceTime >= 0)) throw new RangeError(`serviceTime must be >= 0, got ${serviceTime}`)
	}
	const alone = thinkTime + stations.reduce((sum, { serviceTime }) => sum + serviceTime, 0)
	if (!(thinkTime >= 0 && alone > 0)) throw new RangeError(`a turn must take time, got ${alone}`)
	const solve = createSolver(network)
	const throughputs = solve((1 << stations.length) - 1)
	const throughput = throughputs[customerCount] ?? 0
	return {
		throughput,
		cycleTime: customerCount / throughput,
		utilizations: stations.map(({ serverCount, serviceTime }) => (throughput * serviceTime) / serverCount),
	}
}

/** Throughputs by number of customers, 0 up to all, of the network reduced to the stations of a bit set; kept by set. */
function createSolver({ customerCount, thinkTime, stations }: ClosedNetwork): (members: number) => Float64Array {
	const known = new Map<number, Float64Array>()
	const solve = (members: number): Float64Array => {
		const before = known.get(members)
		if (before) return before
		const present = stations.flatMap((station, s) => (members & (1 << s) ? [{ station, s }] : []))
		const complements = present.map(({ s }) => solve(members & ~(1 << s)))
		const throughputs = iterate(
			customerCount,
			thinkTime,
			present.map(({ station }) => station),
			complements,
		)
		known.set(members, throughputs)
		return throughputs
	}
	return solve
}

/** The recursion over the number of customers. */
function iterate(
	customerCount: number,
	thinkTime: number,
	stations: readonly Station[],
	complements: readonly Float64Array[],
): Float64Array {
	const throughputs = new Float64Array(customerCount + 1)
	// 1. No customers: every station is empty for certain.
	let chances = stations.map(() => Float64Array.of(1))
	for (let n = 1; n <= customerCount; n++) {
		// 2. A customer who arrives sees the network with one customer less.
		const times = stations.map((station, s) => residenceTime(station, chances[s] ?? new Float64Array(), n))
		const turn = thinkTime + times.reduce((sum, time) => sum + time, 0)
		// Without any time in a reduced network, its customers turn round infinitely fast.
		const throughput = turn > 0 ? n / turn : Infinity
		throughputs[n] = throughput
		// 3. Chances of j customers at each station.
		chances = stations.map((station, s) => {
			const next = new Float64Array(n + 1)
			const seen = chances[s] ?? new Float64Array()
			const apart = complements[s]?.[n] ?? Infinity
			next[0] = (seen[0] ?? 0) * (throughput / apart)
			for (let j = 1; j <= n; j++)
				next[j] = ((station.serviceTime * throughput) / Math.min(j, station.serverCount)) * (seen[j - 1] ?? 0)
			return next
		})
	}
	return throughputs
}

/** Σ j·S/min(j, K) · p(j − 1): time at a station that holds j − 1 others on arrival. */
function residenceTime({ serverCount, serviceTime }: Station, seen: Float64Array, n: number): number {
	let time = 0
	for (let j = 1; j <= n; j++) time += (j / Math.min(j, serverCount)) * serviceTime * (seen[j - 1] ?? 0)
	return time
}
