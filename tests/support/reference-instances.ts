/** Planning instances with vectors proven by a lazy-clause-generation solver of a general package. */
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Instance } from '../../core/plan/problem/instance'
import { FIRST_LEVELS, OBJECTIVE_LEVELS, type Levels, type Objective } from '../../core/plan/problem/objective'
import type { Plan } from '../../core/plan/problem/plan'

export interface ReferenceInstance {
	file: string
	/** That it is judged by. */
	levels: Levels
	instance: Instance
	reference: { proven: Partial<Objective>; best: Objective; plan: Plan; ms?: number }
}

/** Those of the first form, judged by the first levels, and those of the second. */
const FOLDERS = [
	{ folder: 'planning-instances', levels: FIRST_LEVELS },
	{ folder: 'planning-instances-2', levels: OBJECTIVE_LEVELS },
]

/** In the order of their numbers, those of the first form first. */
export function listReferenceInstances(): ReferenceInstance[] {
	return FOLDERS.flatMap(({ folder, levels }) => {
		const base = path.resolve(import.meta.dirname, '../fixtures', folder)
		return readdirSync(base)
			.toSorted()
			.map((file): ReferenceInstance => {
				const document = JSON.parse(readFileSync(path.join(base, file), 'utf8')) as Pick<
					ReferenceInstance,
					'instance' | 'reference'
				>
				return { file: `${folder}/${file}`, levels, ...document }
			})
	})
}
