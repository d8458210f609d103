/** Planning instances with proven vectors: the folder of checks beside the project, if it is there. */
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Instance } from '../../core/plan/problem/instance'
import type { Objective } from '../../core/plan/problem/objective'
import type { Plan } from '../../core/plan/problem/plan'

export interface ReferenceInstance {
	file: string
	instance: Instance
	reference: { proven: Partial<Objective>; best: Objective; plan: Plan; ms: number }
}

export const CHECKS_FOLDER = path.resolve(import.meta.dirname, '../../../shared/checks/planning')

/** Empty where the folder is absent; the caller says so. */
export function listReferenceInstances(): ReferenceInstance[] {
	if (!existsSync(CHECKS_FOLDER)) return []
	return readdirSync(CHECKS_FOLDER)
		.filter((file) => file.endsWith('.json'))
		.map((file) => ({
			file,
			...(JSON.parse(readFileSync(path.join(CHECKS_FOLDER, file), 'utf8')) as Omit<ReferenceInstance, 'file'>),
		}))
}
