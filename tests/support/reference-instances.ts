/** Planning instances with vectors proven by a lazy-clause-generation solver of a general package. */
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Instance } from '../../core/plan/problem/instance'
import type { Objective } from '../../core/plan/problem/objective'
import type { Plan } from '../../core/plan/problem/plan'

export interface ReferenceInstance {
	file: string
	instance: Instance
	reference: { proven: Partial<Objective>; best: Objective; plan: Plan; ms: number }
}

const FOLDER = path.resolve(import.meta.dirname, '../fixtures/planning-instances')

/** In the order of their numbers. */
export function listReferenceInstances(): ReferenceInstance[] {
	return readdirSync(FOLDER)
		.toSorted()
		.map((file) => ({
			file,
			...(JSON.parse(readFileSync(path.join(FOLDER, file), 'utf8')) as Omit<ReferenceInstance, 'file'>),
		}))
}
