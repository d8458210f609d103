/** The demo's designs and courses, read as the product reads them. For tests of the product, not of facts of the trade. */
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Course } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import { demoCourses } from '../../db/load-demo.server'
import { readDesign } from '../../exchange/read-document'

const DEMO = path.resolve(import.meta.dirname, '../../demo')

export const DEMO_TODAY = '2026-03-02'

/** Ids of every design of the demo. */
export function demoDesignIds(): string[] {
	return readdirSync(path.join(DEMO, 'designs')).map((file) => file.replace(/\.json$/, ''))
}

export function demoDesign(id: string): Design {
	return readDesign(JSON.parse(readFileSync(path.join(DEMO, 'designs', `${id}.json`), 'utf8')))
}

export function demoCourseNames(): string[] {
	return demoCourses(DEMO_TODAY).map(({ name }) => name)
}

export function demoCourse(name: string): Course {
	const found = demoCourses(DEMO_TODAY).find((course) => course.name === name)
	if (!found) throw new Error(`no demo course "${name}"`)
	return found
}
